-- Pictures of makes. The line of the log that speaks of one names it; a picture is never changed.
CREATE TABLE photo (
  id       TEXT PRIMARY KEY,
  batch_id TEXT NOT NULL,
  type     TEXT NOT NULL CHECK (type IN ('image/jpeg', 'image/png', 'image/webp')),
  bytes    BLOB NOT NULL
) STRICT;
