CREATE TABLE place (
    id            INTEGER PRIMARY KEY,
    name          TEXT    NOT NULL,
    latitude_deg  REAL    NOT NULL CHECK (latitude_deg BETWEEN -90 AND 90),
    longitude_deg REAL    NOT NULL CHECK (longitude_deg BETWEEN -180 AND 180),
    elevation_m   REAL    NOT NULL,
    zone          TEXT    NOT NULL
) STRICT;

CREATE TABLE body (
    id               INTEGER PRIMARY KEY,
    name             TEXT    NOT NULL,
    sensor_width_mm  REAL    NOT NULL CHECK (sensor_width_mm > 0),
    sensor_height_mm REAL    NOT NULL CHECK (sensor_height_mm > 0),
    pixels_across    INTEGER NOT NULL CHECK (pixels_across > 0),
    dial             TEXT    NOT NULL CHECK (dial IN ('FULL', 'HALF', 'THIRD')),
    top_iso          INTEGER NOT NULL CHECK (top_iso > 0)
) STRICT;

CREATE TABLE lens (
    id              INTEGER PRIMARY KEY,
    name            TEXT NOT NULL,
    shortest_mm     REAL NOT NULL CHECK (shortest_mm > 0),
    longest_mm      REAL NOT NULL CHECK (longest_mm >= shortest_mm),
    widest_at_short REAL NOT NULL CHECK (widest_at_short > 0),
    widest_at_long  REAL NOT NULL CHECK (widest_at_long > 0),
    projection      TEXT NOT NULL CHECK (projection IN ('RECTILINEAR', 'FISHEYE'))
) STRICT;

CREATE TABLE outing (
    id           INTEGER PRIMARY KEY,
    title        TEXT    NOT NULL,
    place_id     INTEGER NOT NULL REFERENCES place (id),
    night        TEXT    NOT NULL,
    body_id      INTEGER NOT NULL REFERENCES body (id),
    lens_id      INTEGER NOT NULL REFERENCES lens (id),
    focal_mm     REAL    NOT NULL,
    aperture     REAL    NOT NULL,
    tolerance_px REAL    NOT NULL,
    iso          INTEGER NOT NULL,
    deleted_at   TEXT
) STRICT;

CREATE INDEX outing_by_night ON outing (night);
