-- What a town's streets are lit by; those of before count as warm.
ALTER TABLE dome ADD COLUMN lamps TEXT NOT NULL DEFAULT 'warm';
