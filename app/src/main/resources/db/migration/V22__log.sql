-- A night that is over, as it was planned and as it went. What its plan said is kept as it was then: kit, place and outing may change.
CREATE TABLE log_entry (
    id             INTEGER PRIMARY KEY,
    outing_id      INTEGER REFERENCES outing (id) ON DELETE SET NULL,
    title          TEXT    NOT NULL,
    place_id       INTEGER REFERENCES place (id) ON DELETE SET NULL,
    place          TEXT    NOT NULL,
    zone           TEXT    NOT NULL,
    night          TEXT    NOT NULL,
    -- What its ribbon shows, so that a wall of them need not be reckoned.
    sky            TEXT    NOT NULL CHECK (json_valid(sky)),
    -- Lit part of the moon, 0 to 1.
    moon           REAL    NOT NULL DEFAULT 0,
    rating         INTEGER CHECK (rating BETWEEN 1 AND 5),
    good           TEXT    NOT NULL DEFAULT '',
    better         TEXT    NOT NULL DEFAULT '',
    celsius        REAL,
    cloud_percent  REAL,
    best_frame_id  INTEGER,
    deleted_at     TEXT
) STRICT;
-- Rows are wide, so a wall is counted and its choices are listed from these alone.
CREATE INDEX log_entry_by_night ON log_entry (night) WHERE deleted_at IS NULL;
CREATE INDEX log_entry_by_place ON log_entry (place_id, night, place) WHERE deleted_at IS NULL;
CREATE UNIQUE INDEX log_entry_of_outing ON log_entry (outing_id);

-- One take of it. Rig and its parts by number, without reference: they may be gone.
CREATE TABLE log_take (
    id              INTEGER PRIMARY KEY,
    entry_id        INTEGER NOT NULL REFERENCES log_entry (id) ON DELETE CASCADE,
    take_id         INTEGER,
    name            TEXT    NOT NULL,
    subject         TEXT    NOT NULL,
    place_id        INTEGER,
    rig             TEXT    NOT NULL,
    body_id         INTEGER,
    lens_id         INTEGER,
    battery_id      INTEGER,
    focal_mm        REAL,
    prepares_at     TEXT,
    opens_at        TEXT,
    closes_at       TEXT,
    seconds         REAL,
    aperture        REAL,
    iso             REAL,
    frames          INTEGER NOT NULL DEFAULT 0,
    tolerance_px    REAL,
    own_stops       REAL    NOT NULL DEFAULT 0,
    first           INTEGER NOT NULL DEFAULT 0 CHECK (first IN (0, 1)),
    opened_at       TEXT,
    closed_at       TEXT,
    skipped         INTEGER NOT NULL DEFAULT 0 CHECK (skipped IN (0, 1)),
    why             TEXT    NOT NULL DEFAULT '',
    battery_minutes REAL
) STRICT;
CREATE INDEX log_take_of_entry ON log_take (entry_id);
CREATE INDEX log_take_by_subject ON log_take (subject, entry_id);

-- A frame: how it was taken, what the light table read of it, what its owner says. Its file is found again by its digest.
CREATE TABLE log_frame (
    id        INTEGER PRIMARY KEY,
    entry_id  INTEGER NOT NULL REFERENCES log_entry (id) ON DELETE CASCADE,
    take_id   INTEGER REFERENCES log_take (id) ON DELETE SET NULL,
    name      TEXT    NOT NULL,
    folder    TEXT    NOT NULL DEFAULT '',
    digest    TEXT    NOT NULL,
    taken_at  TEXT,
    seconds   REAL,
    aperture  REAL,
    iso       REAL,
    focal_mm  REAL,
    drift_px  REAL,
    width_px  REAL,
    corner_px REAL,
    zenith    REAL,
    verdict   TEXT    NOT NULL DEFAULT '',
    said      TEXT    NOT NULL DEFAULT '',
    UNIQUE (entry_id, digest)
) STRICT;
CREATE INDEX log_frame_of_take ON log_frame (take_id);

-- What a night showed that holds for others too.
CREATE TABLE observation (
    id       INTEGER PRIMARY KEY,
    entry_id INTEGER NOT NULL REFERENCES log_entry (id) ON DELETE CASCADE,
    night    TEXT    NOT NULL,
    what     TEXT    NOT NULL,
    whose    TEXT    NOT NULL,
    value    REAL    NOT NULL,
    celsius  REAL,
    ahead    REAL,
    how      TEXT    NOT NULL,
    by_hand  INTEGER NOT NULL DEFAULT 0 CHECK (by_hand IN (0, 1)),
    counts   INTEGER NOT NULL DEFAULT 1 CHECK (counts IN (0, 1))
) STRICT;
CREATE INDEX observation_of_entry ON observation (entry_id);
CREATE INDEX observation_by_what ON observation (what, whose, night);

-- What was learned and is used, with what stood there before.
CREATE TABLE learned_use (
    what    TEXT NOT NULL,
    whose   TEXT NOT NULL,
    before  REAL,
    used    REAL NOT NULL,
    origin  TEXT NOT NULL,
    nights  TEXT NOT NULL,
    used_at TEXT NOT NULL,
    PRIMARY KEY (what, whose)
) STRICT;

-- What is one's own habit beyond single takes: minutes to set up, stops by which a subject is exposed otherwise than proposed.
CREATE TABLE habit (
    what  TEXT PRIMARY KEY,
    value REAL NOT NULL
) STRICT;

-- What a forecast said of the cloud of a night, by how long before.
CREATE TABLE forecast_said (
    place_id      INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    night         TEXT    NOT NULL,
    days_ahead    INTEGER NOT NULL CHECK (days_ahead BETWEEN 0 AND 16),
    cloud_percent REAL    NOT NULL,
    PRIMARY KEY (place_id, night, days_ahead)
) STRICT;

-- A frame on film, as the JSON of its description.
CREATE TABLE log_film (
    id       INTEGER PRIMARY KEY,
    entry_id INTEGER NOT NULL REFERENCES log_entry (id) ON DELETE CASCADE,
    fields   TEXT    NOT NULL CHECK (json_valid(fields))
) STRICT;
CREATE INDEX log_film_of_entry ON log_film (entry_id);

-- Where one stood in the night, by a track.
CREATE TABLE log_stay (
    id            INTEGER PRIMARY KEY,
    entry_id      INTEGER NOT NULL REFERENCES log_entry (id) ON DELETE CASCADE,
    latitude_deg  REAL    NOT NULL,
    longitude_deg REAL    NOT NULL,
    from_at       TEXT    NOT NULL,
    to_at         TEXT    NOT NULL
) STRICT;
CREATE INDEX log_stay_of_entry ON log_stay (entry_id);
