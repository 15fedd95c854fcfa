-- What is kept of a camera of a plan is one JSON object of the fields it is described by, the same as in files.
ALTER TABLE eclipse_camera ADD COLUMN fields TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(fields));
UPDATE eclipse_camera SET fields = json_patch('{}', json_object(
    'role', lower(replace(role, '_', '-')), 'focalMm', focal_mm, 'aperture', aperture, 'iso', iso,
    'everySeconds', every_s, 'steps', steps, 'burstSeconds', burst_s, 'pauseSeconds', pause_s,
    'partialFormat', lower(replace(partial_format, '_', '-')), 'totalFormat', lower(replace(total_format, '_', '-')),
    'azimuth', azimuth_deg, 'altitude', altitude_deg, 'clockAheadSeconds', clock_ahead_s, 'mode', lower(mode),
    'upright', json(iif(upright, 'true', 'false')), 'autoIso', json(iif(auto_iso, 'true', 'false')),
    'noiseReduction', json(iif(noise_reduction, 'true', 'false'))));
ALTER TABLE eclipse_camera DROP COLUMN role;
ALTER TABLE eclipse_camera DROP COLUMN focal_mm;
ALTER TABLE eclipse_camera DROP COLUMN aperture;
ALTER TABLE eclipse_camera DROP COLUMN iso;
ALTER TABLE eclipse_camera DROP COLUMN every_s;
ALTER TABLE eclipse_camera DROP COLUMN steps;
ALTER TABLE eclipse_camera DROP COLUMN burst_s;
ALTER TABLE eclipse_camera DROP COLUMN pause_s;
ALTER TABLE eclipse_camera DROP COLUMN partial_format;
ALTER TABLE eclipse_camera DROP COLUMN total_format;
ALTER TABLE eclipse_camera DROP COLUMN azimuth_deg;
ALTER TABLE eclipse_camera DROP COLUMN altitude_deg;
ALTER TABLE eclipse_camera DROP COLUMN upright;
ALTER TABLE eclipse_camera DROP COLUMN clock_ahead_s;
ALTER TABLE eclipse_camera DROP COLUMN mode;
ALTER TABLE eclipse_camera DROP COLUMN auto_iso;
ALTER TABLE eclipse_camera DROP COLUMN noise_reduction;
