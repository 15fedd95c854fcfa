-- What is kept of a body, a lens and a piece of gear is one JSON object of the fields it is described by, the same as in files.
ALTER TABLE body ADD COLUMN fields TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(fields));
UPDATE body SET fields = json_object(
    'sensorWidth', sensor_width_mm, 'sensorHeight', sensor_height_mm, 'pixelsAcross', pixels_across, 'dial', lower(dial),
    'fastest', fastest_per_s, 'baseIso', base_iso, 'topIso', top_iso, 'comfortableIso', comfortable_iso,
    'fullWell', full_well_e, 'readBefore', read_before_e, 'readAfter', read_after_e, 'dark', dark_e_per_s,
    'efficiency', quantum_efficiency, 'modified', json(iif(modified, 'true', 'false')),
    'rawMb', raw_mb, 'jpegMb', jpeg_mb, 'buffer', buffer_frames, 'writeSpeed', write_mb_per_s,
    'clockOffset', clock_offset_s, 'weight', weight_g, 'noiseReduction', json(iif(noise_reduction, 'true', 'false')));
ALTER TABLE body DROP COLUMN sensor_width_mm;
ALTER TABLE body DROP COLUMN sensor_height_mm;
ALTER TABLE body DROP COLUMN pixels_across;
ALTER TABLE body DROP COLUMN dial;
ALTER TABLE body DROP COLUMN fastest_per_s;
ALTER TABLE body DROP COLUMN base_iso;
ALTER TABLE body DROP COLUMN top_iso;
ALTER TABLE body DROP COLUMN comfortable_iso;
ALTER TABLE body DROP COLUMN full_well_e;
ALTER TABLE body DROP COLUMN read_before_e;
ALTER TABLE body DROP COLUMN read_after_e;
ALTER TABLE body DROP COLUMN dark_e_per_s;
ALTER TABLE body DROP COLUMN quantum_efficiency;
ALTER TABLE body DROP COLUMN modified;
ALTER TABLE body DROP COLUMN raw_mb;
ALTER TABLE body DROP COLUMN jpeg_mb;
ALTER TABLE body DROP COLUMN buffer_frames;
ALTER TABLE body DROP COLUMN write_mb_per_s;
ALTER TABLE body DROP COLUMN noise_reduction;
ALTER TABLE body DROP COLUMN clock_offset_s;
ALTER TABLE body DROP COLUMN weight_g;

ALTER TABLE lens ADD COLUMN fields TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(fields));
UPDATE lens SET fields = json_patch('{}', json_object(
    'shortest', shortest_mm, 'longest', longest_mm, 'widestShort', widest_at_short, 'widestLong', widest_at_long,
    'narrowest', narrowest, 'transmission', transmission, 'projection', lower(projection), 'imageCircle', image_circle_mm,
    'weight', weight_g, 'electronic', json(iif(electronic, 'true', 'false'))));
ALTER TABLE lens DROP COLUMN longest_mm;
ALTER TABLE lens DROP COLUMN shortest_mm;
ALTER TABLE lens DROP COLUMN widest_at_short;
ALTER TABLE lens DROP COLUMN widest_at_long;
ALTER TABLE lens DROP COLUMN narrowest;
ALTER TABLE lens DROP COLUMN transmission;
ALTER TABLE lens DROP COLUMN projection;
ALTER TABLE lens DROP COLUMN image_circle_mm;
ALTER TABLE lens DROP COLUMN weight_g;
ALTER TABLE lens DROP COLUMN electronic;

ALTER TABLE gear ADD COLUMN fields TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(fields));
UPDATE gear SET fields = json_patch('{}', json_object(
    'support', lower(support), 'error', error_arcsec_per_min, 'factor', factor, 'stops', stops, 'frames', frames,
    'minutes', minutes, 'gigabytes', gigabytes, 'writeSpeed', write_mb_per_s, 'release', release_words));
ALTER TABLE gear DROP COLUMN support;
ALTER TABLE gear DROP COLUMN error_arcsec_per_min;
ALTER TABLE gear DROP COLUMN factor;
ALTER TABLE gear DROP COLUMN stops;
ALTER TABLE gear DROP COLUMN frames;
ALTER TABLE gear DROP COLUMN minutes;
ALTER TABLE gear DROP COLUMN gigabytes;
ALTER TABLE gear DROP COLUMN write_mb_per_s;
ALTER TABLE gear DROP COLUMN release_words;

-- Which sorts there are is said where they are described, not here too.
ALTER TABLE gear ADD COLUMN sort TEXT NOT NULL DEFAULT 'EXTRA';
UPDATE gear SET sort = kind;
ALTER TABLE gear DROP COLUMN kind;
ALTER TABLE gear RENAME COLUMN sort TO kind;
