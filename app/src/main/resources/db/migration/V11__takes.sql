-- What is photographed in the night of an outing. Which subjects and wishes there are, the program knows.
CREATE TABLE take (
    id          INTEGER PRIMARY KEY,
    outing_id   INTEGER NOT NULL REFERENCES outing (id) ON DELETE CASCADE,
    name        TEXT    NOT NULL,
    subject     TEXT    NOT NULL,
    parameters  TEXT    NOT NULL CHECK (json_valid(parameters)),
    rig_id      INTEGER NOT NULL REFERENCES rig (id),
    focal_mm    REAL    NOT NULL,
    aperture    REAL    NOT NULL,
    azimuth_deg REAL,
    altitude_deg REAL,
    upright     INTEGER NOT NULL DEFAULT 0,
    wish        TEXT    NOT NULL CHECK (json_valid(wish)),
    pinned_at   TEXT,
    deleted_at  TEXT
) STRICT;
CREATE INDEX take_of_outing ON take (outing_id);
