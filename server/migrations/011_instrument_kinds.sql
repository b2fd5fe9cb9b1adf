-- Which kinds of instrument there are, what they read and where they hang is known by the engine's registry: the table keeps its word.
CREATE TABLE instrument_new (
  id               TEXT PRIMARY KEY,
  name             TEXT NOT NULL,
  kind             TEXT NOT NULL,
  quantity         TEXT NOT NULL,
  simulated        INTEGER NOT NULL CHECK (simulated IN (0, 1)),
  token            TEXT NOT NULL,
  batch_id         TEXT,
  last_ms          INTEGER,
  last_value       REAL,
  same_since_ms    INTEGER,
  impossible_ms    INTEGER,
  impossible_value REAL,
  fault            TEXT,
  fault_since_ms   INTEGER,
  calibrated_ms    INTEGER
) STRICT;
INSERT INTO instrument_new
  SELECT id, name, kind, quantity, simulated, token, batch_id, last_ms, last_value, same_since_ms, impossible_ms,
    impossible_value, fault, fault_since_ms, calibrated_ms FROM instrument;
DROP TABLE instrument;
ALTER TABLE instrument_new RENAME TO instrument;
