-- Who is told of hands with no page open, and what they were told: a row is written before anything is sent, so that nobody is told twice.
CREATE TABLE alert_recipient (
  id        TEXT PRIMARY KEY,
  name      TEXT NOT NULL,
  way       TEXT NOT NULL,
  address   TEXT NOT NULL,
  about     TEXT NOT NULL CHECK (about IN ('all', 'own')),
  lead_min  INTEGER NOT NULL,
  quiet     TEXT NOT NULL CHECK (json_valid(quiet)),
  wakes     INTEGER NOT NULL CHECK (wakes IN (0, 1)),
  is_paused INTEGER NOT NULL CHECK (is_paused IN (0, 1)),
  -- What signs requests, or where a browser has its notes sent: it is needed as it is, and told to nobody.
  secret    TEXT NOT NULL,
  trouble   TEXT NOT NULL DEFAULT '""' CHECK (json_valid(trouble))
) STRICT;

CREATE TABLE alert (
  id           INTEGER PRIMARY KEY,
  recipient_id TEXT NOT NULL REFERENCES alert_recipient (id) ON DELETE CASCADE,
  call_key     TEXT NOT NULL,
  batch_id     TEXT,
  of_what      TEXT NOT NULL CHECK (json_valid(of_what)),
  says         TEXT NOT NULL CHECK (json_valid(says)),
  due_ms       INTEGER NOT NULL,
  latest_ms    INTEGER NOT NULL,
  state        TEXT NOT NULL CHECK (state IN ('waits', 'sending', 'sent', 'failed', 'unsure', 'over')),
  tries        INTEGER NOT NULL DEFAULT 0,
  -- By this machine's clock, as what is tried again is; all other moments are the kitchen's.
  next_ms      INTEGER NOT NULL,
  done_ms      INTEGER,
  why          TEXT NOT NULL DEFAULT '""' CHECK (json_valid(why))
) STRICT;
CREATE INDEX alert_by_call ON alert (recipient_id, call_key, due_ms);
CREATE INDEX alert_waiting ON alert (state) WHERE state IN ('waits', 'sending');

-- The keys by which browsers know whose notes they show (VAPID); made when they are first asked for.
CREATE TABLE push_keys (
  only_row    INTEGER PRIMARY KEY CHECK (only_row = 1),
  public_key  TEXT NOT NULL,
  private_key TEXT NOT NULL
) STRICT;
