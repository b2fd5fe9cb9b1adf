-- What each finished make comes to, by which engine, as its log stood (the newest line by hand). Worked out from the log: it may be
-- emptied at any time, and is worked out anew then.
CREATE TABLE make_figures (
  batch_id TEXT PRIMARY KEY,
  of_seq   INTEGER NOT NULL,
  engine   TEXT NOT NULL,
  body     TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
