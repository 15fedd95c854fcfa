ALTER TABLE place ADD COLUMN zenith_magnitude REAL CHECK (zenith_magnitude BETWEEN 15 AND 22.5);
ALTER TABLE place ADD COLUMN access TEXT NOT NULL DEFAULT '';
ALTER TABLE place ADD COLUMN hazards TEXT NOT NULL DEFAULT '';
ALTER TABLE place ADD COLUMN turn_back TEXT NOT NULL DEFAULT '';

CREATE TABLE skyline_point (
    place_id     INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    azimuth_deg  REAL    NOT NULL CHECK (azimuth_deg BETWEEN 0 AND 360),
    altitude_deg REAL    NOT NULL CHECK (altitude_deg BETWEEN -90 AND 90),
    PRIMARY KEY (place_id, azimuth_deg)
) STRICT;

CREATE TABLE mark (
    id          INTEGER PRIMARY KEY,
    place_id    INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    name        TEXT    NOT NULL,
    bearing_deg REAL    NOT NULL,
    distance_m  REAL    NOT NULL,
    height_m    REAL    NOT NULL,
    width_m     REAL    NOT NULL,
    foot_m      REAL    NOT NULL
) STRICT;

CREATE TABLE dome (
    id          INTEGER PRIMARY KEY,
    place_id    INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    name        TEXT    NOT NULL,
    bearing_deg REAL    NOT NULL,
    distance_km REAL    NOT NULL,
    people      REAL    NOT NULL,
    lit         INTEGER NOT NULL DEFAULT 1 CHECK (lit IN (0, 1))
) STRICT;

CREATE INDEX mark_of_place ON mark (place_id);
CREATE INDEX dome_of_place ON dome (place_id);
