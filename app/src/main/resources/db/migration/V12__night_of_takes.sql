-- An outing is a night of takes: what was its one framing becomes its first take, and the way and the people belong to it.
CREATE TABLE outing_of_takes (
    id           INTEGER PRIMARY KEY,
    title        TEXT    NOT NULL,
    place_id     INTEGER NOT NULL REFERENCES place (id),
    night        TEXT    NOT NULL,
    tolerance_px REAL    NOT NULL,
    sharp        TEXT    NOT NULL DEFAULT 'MOST' CHECK (sharp IN ('ALL', 'MOST', 'HALF', 'AIM')),
    people       INTEGER NOT NULL DEFAULT 1 CHECK (people BETWEEN 1 AND 9),
    drive_min    INTEGER NOT NULL DEFAULT 0 CHECK (drive_min BETWEEN 0 AND 1440),
    walk_min     INTEGER NOT NULL DEFAULT 0 CHECK (walk_min BETWEEN 0 AND 600),
    turn_back    TEXT,
    note         TEXT    NOT NULL DEFAULT '',
    way          INTEGER NOT NULL DEFAULT 0,
    resumed_at   TEXT,
    revision     INTEGER NOT NULL DEFAULT 1 CHECK (revision > 0),
    deleted_at   TEXT
) STRICT;
INSERT INTO outing_of_takes (id, title, place_id, night, tolerance_px, sharp, note, revision, deleted_at)
SELECT id, title, place_id, night, tolerance_px, sharp, 'Planned with ISO ' || iso || '.', revision, deleted_at FROM outing;

-- What happened in the field stands beside what was planned: when it opened and closed, or that it was left out.
CREATE TABLE take_of_night (
    id           INTEGER PRIMARY KEY,
    outing_id    INTEGER NOT NULL REFERENCES outing_of_takes (id) ON DELETE CASCADE,
    name         TEXT    NOT NULL,
    subject      TEXT    NOT NULL,
    parameters   TEXT    NOT NULL CHECK (json_valid(parameters)),
    rig_id       INTEGER NOT NULL REFERENCES rig (id),
    focal_mm     REAL    NOT NULL,
    aperture     REAL    NOT NULL,
    azimuth_deg  REAL,
    altitude_deg REAL,
    upright      INTEGER NOT NULL DEFAULT 0,
    wish         TEXT    NOT NULL CHECK (json_valid(wish)),
    pinned_at    TEXT,
    opened_at    TEXT,
    closed_at    TEXT,
    skipped      INTEGER NOT NULL DEFAULT 0,
    deleted_at   TEXT
) STRICT;
INSERT INTO take_of_night (id, outing_id, name, subject, parameters, rig_id, focal_mm, aperture, azimuth_deg, altitude_deg,
                           upright, wish, pinned_at, deleted_at)
SELECT id, outing_id, name, subject, parameters, rig_id, focal_mm, aperture, azimuth_deg, altitude_deg,
       upright, wish, pinned_at, deleted_at
FROM take;
INSERT INTO take_of_night (outing_id, name, subject, parameters, rig_id, focal_mm, aperture, wish)
SELECT o.id, 'Milky Way', 'milky-way', '{"version":1,"darks":5}', o.rig_id, o.focal_mm, o.aperture,
       '{"version":1,"kind":"core-highest"}'
FROM outing o
WHERE NOT EXISTS (SELECT 1 FROM take t WHERE t.outing_id = o.id);

DROP TABLE take;
DROP TABLE outing;
ALTER TABLE outing_of_takes RENAME TO outing;
ALTER TABLE take_of_night RENAME TO take;
CREATE INDEX outing_by_night ON outing (night);
CREATE INDEX outing_by_place ON outing (place_id);
CREATE INDEX take_of_outing ON take (outing_id);
CREATE INDEX take_by_rig ON take (rig_id);

-- Other nights of the same plan, for bad weather.
CREATE TABLE candidate (
    outing_id INTEGER NOT NULL REFERENCES outing (id) ON DELETE CASCADE,
    night     TEXT    NOT NULL,
    PRIMARY KEY (outing_id, night)
) STRICT;

-- What of the bag is ticked off, in its words.
CREATE TABLE packed (
    outing_id INTEGER NOT NULL REFERENCES outing (id) ON DELETE CASCADE,
    what      TEXT    NOT NULL,
    PRIMARY KEY (outing_id, what)
) STRICT;

-- What was noted in the field.
CREATE TABLE field_note (
    id        INTEGER PRIMARY KEY,
    outing_id INTEGER NOT NULL REFERENCES outing (id) ON DELETE CASCADE,
    noted_at  TEXT    NOT NULL,
    take      TEXT    NOT NULL,
    words     TEXT    NOT NULL
) STRICT;
CREATE INDEX field_note_of_outing ON field_note (outing_id);
