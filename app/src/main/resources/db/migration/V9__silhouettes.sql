-- What a mark looks like; those of before are blocks.
ALTER TABLE mark ADD COLUMN silhouette TEXT NOT NULL DEFAULT 'block';
