-- A plan for an eclipse of the sun at a place, with another place kept beside it. Times are never stored: they are those of the place.
CREATE TABLE eclipse_plan (
    id             INTEGER PRIMARY KEY,
    place_id       INTEGER NOT NULL REFERENCES place (id),
    other_place_id INTEGER REFERENCES place (id),
    eclipse_date   TEXT    NOT NULL,
    after_c2_s     REAL    NOT NULL,
    before_c3_s    REAL    NOT NULL,
    celsius        REAL    NOT NULL DEFAULT 20,
    deleted_at     TEXT
) STRICT;
CREATE INDEX eclipse_plan_by_place ON eclipse_plan (place_id);

-- One camera of a plan: what its script is made from, how its body stands, and the script where it was written by hand.
CREATE TABLE eclipse_camera (
    id              INTEGER PRIMARY KEY,
    plan_id         INTEGER NOT NULL REFERENCES eclipse_plan (id) ON DELETE CASCADE,
    name            TEXT    NOT NULL,
    rig_id          INTEGER NOT NULL REFERENCES rig (id),
    role            TEXT    NOT NULL,
    focal_mm        REAL    NOT NULL,
    aperture        REAL    NOT NULL,
    iso             REAL    NOT NULL,
    every_s         REAL    NOT NULL,
    steps           INTEGER NOT NULL,
    burst_s         REAL    NOT NULL,
    pause_s         REAL    NOT NULL,
    partial_format  TEXT    NOT NULL,
    total_format    TEXT    NOT NULL,
    azimuth_deg     REAL,
    altitude_deg    REAL,
    upright         INTEGER NOT NULL DEFAULT 0,
    clock_ahead_s   REAL    NOT NULL DEFAULT 0,
    mode            TEXT    NOT NULL DEFAULT 'MANUAL',
    auto_iso        INTEGER NOT NULL DEFAULT 0,
    noise_reduction INTEGER NOT NULL DEFAULT 0,
    script          TEXT,
    deleted_at      TEXT
) STRICT;
CREATE INDEX eclipse_camera_of_plan ON eclipse_camera (plan_id);
CREATE INDEX eclipse_camera_by_rig ON eclipse_camera (rig_id);

-- The rehearsal of a plan: what its clock showed at an instant, how fast it goes, and what was broken. All else follows from these.
CREATE TABLE rehearsal (
    plan_id    INTEGER PRIMARY KEY REFERENCES eclipse_plan (id) ON DELETE CASCADE,
    begins_at  TEXT    NOT NULL,
    shown_at   TEXT    NOT NULL,
    set_at     TEXT    NOT NULL,
    speed      INTEGER NOT NULL,
    happenings TEXT    NOT NULL CHECK (json_valid(happenings))
) STRICT;

-- How likely a place is to be cloudy on the day, as someone looked it up.
CREATE TABLE cloud_odds (
    place_id     INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    eclipse_date TEXT    NOT NULL,
    percent      REAL    NOT NULL,
    PRIMARY KEY (place_id, eclipse_date)
) STRICT;
