ALTER TABLE place ADD COLUMN sea_horizon INTEGER NOT NULL DEFAULT 0 CHECK (sea_horizon IN (0, 1));

-- One forecast of each source for a place; a newer one takes its hours' place.
CREATE TABLE forecast_hour (
    place_id             INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    source               TEXT    NOT NULL CHECK (source IN ('SERVICE', 'IMPORT', 'HAND')),
    valid_at             TEXT    NOT NULL,
    issued_at            TEXT    NOT NULL,
    low_cloud_percent    REAL    NOT NULL,
    middle_cloud_percent REAL    NOT NULL,
    high_cloud_percent   REAL    NOT NULL,
    wind_ms              REAL    NOT NULL,
    temperature_c        REAL    NOT NULL,
    humidity_percent     REAL    NOT NULL,
    PRIMARY KEY (place_id, source, valid_at)
) STRICT;

CREATE TABLE saved_search (
    id       INTEGER PRIMARY KEY,
    name     TEXT NOT NULL,
    query    TEXT NOT NULL,
    saved_at TEXT NOT NULL
) STRICT;
