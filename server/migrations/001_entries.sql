-- A batch's log: written once, never changed. seq is the order of arrival and drives what a page has not yet seen.
CREATE TABLE entry (
  seq      INTEGER PRIMARY KEY,
  id       TEXT NOT NULL UNIQUE,
  batch_id TEXT NOT NULL,
  at_ms    INTEGER NOT NULL,
  source   TEXT NOT NULL,
  body     TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE INDEX entry_by_batch ON entry (batch_id, seq);

CREATE TRIGGER entry_is_never_changed BEFORE UPDATE ON entry
BEGIN SELECT RAISE(ABORT, 'an entry is never changed; write a correction'); END;

CREATE TRIGGER entry_is_never_removed BEFORE DELETE ON entry
BEGIN SELECT RAISE(ABORT, 'an entry is never removed; write a correction'); END;
