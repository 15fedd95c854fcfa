-- What is kept of a mark, of the light of a town and of the words about a place is one JSON object of the fields they are described by.
ALTER TABLE mark ADD COLUMN fields TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(fields));
UPDATE mark SET fields = json_object(
    'name', name, 'bearing', bearing_deg, 'distance', distance_m, 'height', height_m, 'width', width_m, 'foot', foot_m,
    'silhouette', silhouette);
ALTER TABLE mark DROP COLUMN bearing_deg;
ALTER TABLE mark DROP COLUMN distance_m;
ALTER TABLE mark DROP COLUMN height_m;
ALTER TABLE mark DROP COLUMN width_m;
ALTER TABLE mark DROP COLUMN foot_m;
ALTER TABLE mark DROP COLUMN silhouette;
ALTER TABLE mark DROP COLUMN name;
ALTER TABLE mark ADD COLUMN name TEXT GENERATED ALWAYS AS (fields ->> 'name') VIRTUAL;

ALTER TABLE dome ADD COLUMN fields TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(fields));
UPDATE dome SET fields = json_object(
    'name', name, 'bearing', bearing_deg, 'distanceKm', distance_km, 'people', people, 'lamps', lamps);
ALTER TABLE dome DROP COLUMN bearing_deg;
ALTER TABLE dome DROP COLUMN distance_km;
ALTER TABLE dome DROP COLUMN people;
ALTER TABLE dome DROP COLUMN lamps;
ALTER TABLE dome DROP COLUMN name;
ALTER TABLE dome ADD COLUMN name TEXT GENERATED ALWAYS AS (fields ->> 'name') VIRTUAL;

ALTER TABLE place ADD COLUMN notes TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(notes));
UPDATE place SET notes = json_object('access', access, 'hazards', hazards, 'turnBack', turn_back);
ALTER TABLE place DROP COLUMN access;
ALTER TABLE place DROP COLUMN hazards;
ALTER TABLE place DROP COLUMN turn_back;
