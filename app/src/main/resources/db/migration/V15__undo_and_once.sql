-- What is deleted is kept, marked, until it is brought back or the list of deleted things is emptied.
ALTER TABLE place ADD COLUMN deleted_at TEXT;
ALTER TABLE mark ADD COLUMN deleted_at TEXT;
ALTER TABLE dome ADD COLUMN deleted_at TEXT;
ALTER TABLE body ADD COLUMN deleted_at TEXT;
ALTER TABLE lens ADD COLUMN deleted_at TEXT;
ALTER TABLE gear ADD COLUMN deleted_at TEXT;
ALTER TABLE rig ADD COLUMN deleted_at TEXT;

-- A line taken out of an eclipse's script, or a whole script that was made anew, in the words of its file.
CREATE TABLE script_cut (
    id         INTEGER PRIMARY KEY,
    camera_id  INTEGER NOT NULL REFERENCES eclipse_camera (id) ON DELETE CASCADE,
    name       TEXT    NOT NULL,
    whole      INTEGER NOT NULL,
    script     TEXT    NOT NULL,
    deleted_at TEXT    NOT NULL
) STRICT;
CREATE INDEX script_cut_of_camera ON script_cut (camera_id);

-- What was said in the field, by the key its phone gave it: said again after a lost answer, it counts once.
CREATE TABLE heard (
    key       TEXT    PRIMARY KEY,
    outing_id INTEGER NOT NULL REFERENCES outing (id) ON DELETE CASCADE,
    heard_at  TEXT    NOT NULL
) STRICT;
CREATE INDEX heard_of_outing ON heard (outing_id);

-- Tells this installation from all others, in the identities of calendar events.
CREATE TABLE installation (
    id TEXT PRIMARY KEY
) STRICT;
INSERT INTO installation (id) VALUES (lower(hex(randomblob(10))));
