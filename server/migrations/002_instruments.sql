CREATE TABLE instrument (
  id        TEXT PRIMARY KEY,
  name      TEXT NOT NULL,
  kind      TEXT NOT NULL,
  quantity  TEXT NOT NULL CHECK (quantity IN ('tempC', 'ph', 'wheyG')),
  simulated INTEGER NOT NULL CHECK (simulated IN (0, 1)),
  token     TEXT NOT NULL,
  batch_id  TEXT
) STRICT;
