-- Which frame of "what would you change?" was answered: a page that is loaded again, or a second choice, counts no more.
ALTER TABLE practice_drill ADD COLUMN task INTEGER;
CREATE UNIQUE INDEX practice_drill_once ON practice_drill (learner_id, task) WHERE task IS NOT NULL;
