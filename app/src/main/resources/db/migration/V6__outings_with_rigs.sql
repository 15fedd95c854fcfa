-- What a piece of gear counts has a column of its own for each sort, instead of two numbers that meant something else in each.
ALTER TABLE gear ADD COLUMN support TEXT CHECK (support IN ('HAND', 'TRIPOD', 'SIDEREAL', 'LUNAR', 'SOLAR'));
ALTER TABLE gear ADD COLUMN error_arcsec_per_min REAL;
ALTER TABLE gear ADD COLUMN factor REAL;
ALTER TABLE gear ADD COLUMN stops REAL;
ALTER TABLE gear ADD COLUMN frames REAL;
ALTER TABLE gear ADD COLUMN minutes REAL;
ALTER TABLE gear ADD COLUMN gigabytes REAL;
ALTER TABLE gear ADD COLUMN write_mb_per_s REAL;
ALTER TABLE gear ADD COLUMN release_words TEXT;
UPDATE gear SET support = mode, error_arcsec_per_min = amount WHERE kind = 'SUPPORT';
UPDATE gear SET factor = amount WHERE kind = 'TELECONVERTER';
UPDATE gear SET stops = amount WHERE kind = 'FILTER';
UPDATE gear SET frames = amount, minutes = detail WHERE kind = 'BATTERY';
UPDATE gear SET gigabytes = amount, write_mb_per_s = detail WHERE kind = 'CARD';
UPDATE gear SET release_words = mode WHERE kind = 'RELEASE';
ALTER TABLE gear DROP COLUMN mode;
ALTER TABLE gear DROP COLUMN amount;
ALTER TABLE gear DROP COLUMN detail;

-- An outing takes a rig, so that tracker, converter and filters count. Body and lens on a tripod become a rig where there is none.
CREATE TEMPORARY VIEW plain_rig AS
SELECT r.id, r.body_id, r.lens_id FROM rig r
WHERE NOT EXISTS (
    SELECT 1 FROM rig_gear rg JOIN gear g ON g.id = rg.gear_id
    WHERE rg.rig_id = r.id AND (g.kind IN ('TELECONVERTER', 'FILTER') OR g.support <> 'TRIPOD'));

INSERT INTO rig (name, body_id, lens_id)
SELECT b.name || ', ' || l.name, o.body_id, o.lens_id
FROM (SELECT DISTINCT body_id, lens_id FROM outing) o
JOIN body b ON b.id = o.body_id
JOIN lens l ON l.id = o.lens_id
WHERE NOT EXISTS (SELECT 1 FROM plain_rig p WHERE p.body_id = o.body_id AND p.lens_id = o.lens_id);

CREATE TABLE outing_with_rig (
    id           INTEGER PRIMARY KEY,
    title        TEXT    NOT NULL,
    place_id     INTEGER NOT NULL REFERENCES place (id),
    night        TEXT    NOT NULL,
    rig_id       INTEGER NOT NULL REFERENCES rig (id),
    focal_mm     REAL    NOT NULL,
    aperture     REAL    NOT NULL,
    tolerance_px REAL    NOT NULL,
    iso          INTEGER NOT NULL,
    revision     INTEGER NOT NULL DEFAULT 1 CHECK (revision > 0),
    deleted_at   TEXT
) STRICT;

INSERT INTO outing_with_rig (id, title, place_id, night, rig_id, focal_mm, aperture, tolerance_px, iso, deleted_at)
SELECT o.id, o.title, o.place_id, o.night,
       (SELECT min(p.id) FROM plain_rig p WHERE p.body_id = o.body_id AND p.lens_id = o.lens_id),
       o.focal_mm, o.aperture, o.tolerance_px, o.iso, o.deleted_at
FROM outing o;

-- No table refers to outings yet, so that dropping this one takes nothing with it.
DROP VIEW plain_rig;
DROP TABLE outing;
ALTER TABLE outing_with_rig RENAME TO outing;

CREATE INDEX outing_by_night ON outing (night);
CREATE INDEX outing_by_place ON outing (place_id);
CREATE INDEX outing_by_rig ON outing (rig_id);
CREATE INDEX rig_by_body ON rig (body_id);
CREATE INDEX rig_by_lens ON rig (lens_id);
CREATE INDEX rig_gear_by_gear ON rig_gear (gear_id);
