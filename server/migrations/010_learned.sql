-- What each finished make taught, by which engine, as its log stood (the newest line by hand). Worked out from the log: it may be
-- emptied at any time, and is worked out anew then.
CREATE TABLE lesson (
  batch_id TEXT PRIMARY KEY,
  of_seq   INTEGER NOT NULL,
  engine   TEXT NOT NULL,
  body     TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

-- What all of it comes to, as pages are told of it.
CREATE TABLE learned (
  only_row INTEGER PRIMARY KEY CHECK (only_row = 1),
  body     TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
