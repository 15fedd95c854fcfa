-- Places of a night after its first, each with the way from the one before.
CREATE TABLE stop (
    outing_id INTEGER NOT NULL REFERENCES outing (id) ON DELETE CASCADE,
    position  INTEGER NOT NULL CHECK (position BETWEEN 1 AND 5),
    place_id  INTEGER NOT NULL REFERENCES place (id),
    drive_min INTEGER NOT NULL CHECK (drive_min BETWEEN 0 AND 1440),
    walk_min  INTEGER NOT NULL CHECK (walk_min BETWEEN 0 AND 600),
    PRIMARY KEY (outing_id, position)
) STRICT;

CREATE INDEX stop_by_place ON stop (place_id);

-- The place at which a take is taken, 0 for the first.
ALTER TABLE take ADD COLUMN stop INTEGER NOT NULL DEFAULT 0 CHECK (stop BETWEEN 0 AND 5);
