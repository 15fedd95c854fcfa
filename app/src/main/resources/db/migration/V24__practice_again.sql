-- Practice is laid out anew, since its tables refer to each other:
-- who was deleted can come back, and a number that browsers keep never comes to another;
-- a frame keeps what its rig was, which may become another or be deleted while the round is open;
-- and it is known which frame of "what would you change?" was answered, so that a second choice counts no more.
CREATE TABLE learner_again (
    id         INTEGER PRIMARY KEY AUTOINCREMENT,
    name       TEXT    NOT NULL UNIQUE,
    deleted_at TEXT
) STRICT;
-- Where the table had that column already, the inner name is its own; else it is the empty one beside it.
INSERT INTO learner_again (id, name, deleted_at)
SELECT l.id, l.name, (SELECT deleted_at FROM learner AS same WHERE same.id = l.id)
FROM (SELECT NULL AS deleted_at) CROSS JOIN (SELECT id, name FROM learner) AS l;

CREATE TABLE practice_round_again (
    id         INTEGER PRIMARY KEY,
    learner_id INTEGER NOT NULL REFERENCES learner_again (id) ON DELETE CASCADE,
    lesson     TEXT    NOT NULL,
    began_at   TEXT    NOT NULL,
    ended_at   TEXT,
    passed     INTEGER NOT NULL DEFAULT 0 CHECK (passed IN (0, 1)),
    -- Frames beyond those that it needs.
    extra      INTEGER NOT NULL DEFAULT 0
) STRICT;
INSERT INTO practice_round_again (id, learner_id, lesson, began_at, ended_at, passed, extra)
SELECT id, learner_id, lesson, began_at, ended_at, passed, extra FROM practice_round;

CREATE TABLE practice_frame_again (
    id       INTEGER PRIMARY KEY AUTOINCREMENT, -- browsers keep its picture
    round_id INTEGER NOT NULL REFERENCES practice_round_again (id) ON DELETE CASCADE,
    -- Own rig it was taken with, as it was then; the lesson's outfit where none.
    rig      TEXT    CHECK (rig IS NULL OR json_valid(rig)),
    opens    REAL    NOT NULL,
    held     REAL,
    asked    TEXT    NOT NULL CHECK (json_valid(asked)),
    measured TEXT    NOT NULL CHECK (json_valid(measured))
) STRICT;
INSERT INTO practice_frame_again (id, round_id, rig, opens, held, asked, measured)
SELECT f.id, f.round_id,
    (SELECT json_object(
        'id', r.id,
        'name', r.name,
        'body', json_patch(b.fields, json_object('name', b.name)),
        'lens', json_patch(l.fields, json_object('name', l.name)),
        'gear', (SELECT json_group_array(json_patch(g.fields, json_object(
                     'kind', lower(replace(g.kind, '_', '-')), 'name', g.name, 'weight', g.weight_g)))
                 FROM (SELECT gear.* FROM rig_gear JOIN gear ON gear.id = rig_gear.gear_id
                       WHERE rig_gear.rig_id = r.id ORDER BY gear.kind, gear.id) g))
     FROM rig r JOIN body b ON b.id = r.body_id JOIN lens l ON l.id = r.lens_id
     WHERE r.id = f.rig_id),
    f.opens, f.held, f.asked, f.measured
FROM practice_frame f;
-- Numbers go on from the last that was given, not from the last that is left.
DELETE FROM sqlite_sequence WHERE name = 'practice_frame_again';
INSERT INTO sqlite_sequence (name, seq) SELECT 'practice_frame_again', seq FROM sqlite_sequence WHERE name = 'practice_frame';

CREATE TABLE practice_drill_again (
    id         INTEGER PRIMARY KEY,
    learner_id INTEGER NOT NULL REFERENCES learner_again (id) ON DELETE CASCADE,
    kind       TEXT    NOT NULL CHECK (kind IN ('blind', 'change')),
    ended_at   TEXT    NOT NULL,
    tasks      INTEGER NOT NULL,
    solved     INTEGER NOT NULL,
    stops_off  REAL    NOT NULL,
    seconds    REAL    NOT NULL,
    -- Which frame, of "what would you change?".
    task       INTEGER
) STRICT;
INSERT INTO practice_drill_again (id, learner_id, kind, ended_at, tasks, solved, stops_off, seconds)
SELECT id, learner_id, kind, ended_at, tasks, solved, stops_off, seconds FROM practice_drill;

DROP TABLE practice_frame;
DROP TABLE practice_drill;
DROP TABLE practice_round;
DROP TABLE learner;
ALTER TABLE learner_again RENAME TO learner;
ALTER TABLE practice_round_again RENAME TO practice_round;
ALTER TABLE practice_frame_again RENAME TO practice_frame;
ALTER TABLE practice_drill_again RENAME TO practice_drill;
CREATE INDEX practice_round_of ON practice_round (learner_id, lesson, began_at);
CREATE INDEX practice_frame_of_round ON practice_frame (round_id);
CREATE INDEX practice_drill_of ON practice_drill (learner_id, kind, ended_at);
CREATE UNIQUE INDEX practice_drill_once ON practice_drill (learner_id, task) WHERE task IS NOT NULL;
