-- What the photographer decides of a take instead of what is proposed, as the JSON of its description.
ALTER TABLE take ADD COLUMN decision TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(decision));
