ALTER TABLE body ADD COLUMN fastest_per_s INTEGER NOT NULL DEFAULT 8000;
ALTER TABLE body ADD COLUMN base_iso INTEGER NOT NULL DEFAULT 100;
ALTER TABLE body ADD COLUMN comfortable_iso INTEGER NOT NULL DEFAULT 3200;
ALTER TABLE body ADD COLUMN full_well_e REAL NOT NULL DEFAULT 0;
ALTER TABLE body ADD COLUMN read_before_e REAL NOT NULL DEFAULT 1.6;
ALTER TABLE body ADD COLUMN read_after_e REAL NOT NULL DEFAULT 4.5;
ALTER TABLE body ADD COLUMN dark_e_per_s REAL NOT NULL DEFAULT 0.03;
ALTER TABLE body ADD COLUMN quantum_efficiency REAL NOT NULL DEFAULT 0.5;
ALTER TABLE body ADD COLUMN modified INTEGER NOT NULL DEFAULT 0 CHECK (modified IN (0, 1));
ALTER TABLE body ADD COLUMN raw_mb REAL NOT NULL DEFAULT 30;
ALTER TABLE body ADD COLUMN jpeg_mb REAL NOT NULL DEFAULT 10;
ALTER TABLE body ADD COLUMN buffer_frames INTEGER NOT NULL DEFAULT 30;
ALTER TABLE body ADD COLUMN write_mb_per_s REAL NOT NULL DEFAULT 150;
ALTER TABLE body ADD COLUMN noise_reduction INTEGER NOT NULL DEFAULT 0 CHECK (noise_reduction IN (0, 1));
ALTER TABLE body ADD COLUMN clock_offset_s REAL NOT NULL DEFAULT 0;
ALTER TABLE body ADD COLUMN weight_g REAL NOT NULL DEFAULT 600;
ALTER TABLE body ADD COLUMN note TEXT NOT NULL DEFAULT '';

-- What a pixel holds follows from its size, whoever's body it is: 1800 electrons a square micrometre.
UPDATE body SET full_well_e = round(18 * (sensor_width_mm * 1000 / pixels_across) * (sensor_width_mm * 1000 / pixels_across)) * 100;

-- The generic classes of the first kit, and only they, get files by their pixels and a note that says so.
CREATE TEMPORARY VIEW generic_body AS
SELECT id FROM body
WHERE id <= 5
  AND name IN ('Full-frame 33 MP body', 'Full-frame 24 MP body', 'APS-C 26 MP body', 'Four-thirds 20 MP body', '1-inch 20 MP compact');
UPDATE body SET
    raw_mb = round(pixels_across * (pixels_across * sensor_height_mm / sensor_width_mm) / 1e6 * 1.2),
    jpeg_mb = round(pixels_across * (pixels_across * sensor_height_mm / sensor_width_mm) / 1e6 * 0.35, 1),
    note = 'generic class: typical electronics for its pixels'
WHERE id IN (SELECT id FROM generic_body);
UPDATE body SET comfortable_iso = 1600, weight_g = 450 WHERE sensor_width_mm < 30 AND id IN (SELECT id FROM generic_body);
UPDATE body SET comfortable_iso = 800, weight_g = 300 WHERE sensor_width_mm < 15 AND id IN (SELECT id FROM generic_body);
DROP VIEW generic_body;

ALTER TABLE lens ADD COLUMN narrowest REAL NOT NULL DEFAULT 22;
ALTER TABLE lens ADD COLUMN transmission REAL NOT NULL DEFAULT 0.9;
ALTER TABLE lens ADD COLUMN electronic INTEGER NOT NULL DEFAULT 1 CHECK (electronic IN (0, 1));
ALTER TABLE lens ADD COLUMN weight_g REAL NOT NULL DEFAULT 450;
ALTER TABLE lens ADD COLUMN note TEXT NOT NULL DEFAULT '';
UPDATE lens SET weight_g = 1400 WHERE id <= 7 AND name = '100–400 mm f/4.5–5.6 zoom';
UPDATE lens SET electronic = 0, note = 'aperture by hand' WHERE id <= 7 AND name = '12 mm f/2.8 fisheye';

CREATE TABLE gear (
    id       INTEGER PRIMARY KEY,
    kind     TEXT NOT NULL CHECK (kind IN ('TELECONVERTER', 'SUPPORT', 'RELEASE', 'FILTER', 'BATTERY', 'CARD', 'EXTRA')),
    name     TEXT NOT NULL,
    weight_g REAL NOT NULL,
    mode     TEXT NOT NULL DEFAULT '',
    amount   REAL NOT NULL DEFAULT 0,
    detail   REAL NOT NULL DEFAULT 0,
    note     TEXT NOT NULL DEFAULT ''
) STRICT;

CREATE TABLE rig (
    id      INTEGER PRIMARY KEY,
    name    TEXT    NOT NULL,
    body_id INTEGER NOT NULL REFERENCES body (id),
    lens_id INTEGER NOT NULL REFERENCES lens (id)
) STRICT;

CREATE TABLE rig_gear (
    rig_id  INTEGER NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
    gear_id INTEGER NOT NULL REFERENCES gear (id),
    PRIMARY KEY (rig_id, gear_id)
) STRICT;

INSERT INTO gear (kind, name, weight_g, mode, amount, detail, note) VALUES
    ('SUPPORT', 'Tripod', 1800, 'TRIPOD', 0, 0, 'hook for a weight'),
    ('SUPPORT', 'Small star tracker', 1100, 'SIDEREAL', 20, 0, ''),
    ('TELECONVERTER', 'Teleconverter 1.4×', 220, '', 1.4, 0, ''),
    ('FILTER', 'Solar filter, density 5', 60, '', 16.6, 0, 'stays on except in totality'),
    ('RELEASE', 'Interval timer', 90, 'timer', 0, 0, ''),
    ('BATTERY', 'Battery', 80, '', 450, 150, 'frames and minutes at 20 °C'),
    ('CARD', 'Card 64 GB', 5, '', 64, 150, ''),
    ('EXTRA', 'Heater band', 120, '', 0, 0, 'against dew'),
    ('EXTRA', 'Red lamp', 90, '', 0, 0, '');

INSERT INTO rig (name, body_id, lens_id)
SELECT 'Wide and fast', b.id, l.id FROM body b, lens l WHERE b.name = 'Full-frame 33 MP body' AND l.name = '20 mm f/1.8';
INSERT INTO rig (name, body_id, lens_id)
SELECT 'Tracked 35', b.id, l.id FROM body b, lens l WHERE b.name = 'Full-frame 24 MP body' AND l.name = '35 mm f/1.4';
INSERT INTO rig (name, body_id, lens_id)
SELECT 'First zoom', b.id, l.id FROM body b, lens l WHERE b.name = 'APS-C 26 MP body' AND l.name LIKE '18–55%';
INSERT INTO rig (name, body_id, lens_id)
SELECT 'Long for the moon', b.id, l.id FROM body b, lens l WHERE b.name = 'APS-C 26 MP body' AND l.name LIKE '100–400%';
INSERT INTO rig_gear (rig_id, gear_id)
SELECT r.id, g.id FROM rig r, gear g WHERE g.name IN ('Tripod', 'Battery', 'Card 64 GB', 'Interval timer') AND r.name <> 'Tracked 35';
INSERT INTO rig_gear (rig_id, gear_id)
SELECT r.id, g.id FROM rig r, gear g WHERE g.name IN ('Small star tracker', 'Battery', 'Card 64 GB', 'Heater band') AND r.name = 'Tracked 35';
