-- What came of each backup that was tried, the newest some: shown on the page, so that one that fails is noticed.
CREATE TABLE backup_run (
  at_ms   INTEGER PRIMARY KEY,
  why     TEXT NOT NULL,
  name    TEXT,
  bytes   INTEGER NOT NULL,
  makes   INTEGER NOT NULL,
  lines   INTEGER NOT NULL,
  wrong   TEXT NOT NULL CHECK (json_valid(wrong))
) STRICT;

-- "OATC": a file that says it is something else is never taken for a dairy.
PRAGMA application_id = 1329681475;
