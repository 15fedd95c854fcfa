-- Who practises here. There are no accounts: a name is chosen.
CREATE TABLE learner (
    id   INTEGER PRIMARY KEY,
    name TEXT    NOT NULL UNIQUE
) STRICT;

-- A round of a lesson, by the lesson's name. It is open until it is passed or given up.
CREATE TABLE practice_round (
    id         INTEGER PRIMARY KEY,
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    lesson     TEXT    NOT NULL,
    began_at   TEXT    NOT NULL,
    ended_at   TEXT,
    passed     INTEGER NOT NULL DEFAULT 0 CHECK (passed IN (0, 1)),
    -- Frames beyond those that it needs.
    extra      INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE INDEX practice_round_of ON practice_round (learner_id, lesson, began_at);

-- A frame of it: how it was taken, from which it can be taken again, and what was measured.
-- Its number never comes to another: browsers keep its picture.
CREATE TABLE practice_frame (
    id       INTEGER PRIMARY KEY AUTOINCREMENT,
    round_id INTEGER NOT NULL REFERENCES practice_round (id) ON DELETE CASCADE,
    -- Own rig it was taken with; the lesson's outfit where none.
    rig_id   INTEGER,
    opens    REAL    NOT NULL,
    held     REAL,
    asked    TEXT    NOT NULL CHECK (json_valid(asked)),
    measured TEXT    NOT NULL CHECK (json_valid(measured))
) STRICT;
CREATE INDEX practice_frame_of_round ON practice_frame (round_id);

-- A drill that was played to its end.
CREATE TABLE practice_drill (
    id         INTEGER PRIMARY KEY,
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    kind       TEXT    NOT NULL CHECK (kind IN ('blind', 'change')),
    ended_at   TEXT    NOT NULL,
    tasks      INTEGER NOT NULL,
    solved     INTEGER NOT NULL,
    stops_off  REAL    NOT NULL,
    seconds    REAL    NOT NULL
) STRICT;
CREATE INDEX practice_drill_of ON practice_drill (learner_id, kind, ended_at);
