-- Rigs that came with the application are examples until somebody uses or changes them.
ALTER TABLE rig ADD COLUMN own INTEGER NOT NULL DEFAULT 1 CHECK (own IN (0, 1));
UPDATE rig SET own = 0
WHERE name IN ('Wide and fast', 'Tracked 35', 'First zoom', 'Long for the moon')
  AND id NOT IN (SELECT rig_id FROM take)
  AND id NOT IN (SELECT rig_id FROM eclipse_camera);

-- What its owner usually decides of a take of stars, as the JSON of its description.
CREATE TABLE usual_decision (
    id       INTEGER PRIMARY KEY CHECK (id = 1),
    decision TEXT NOT NULL CHECK (json_valid(decision))
) STRICT;
