-- The room has readings of its own: they belong to no crock. An instrument may hang in the room.
CREATE TABLE room_reading (
  at_ms  INTEGER NOT NULL,
  source TEXT NOT NULL,
  temp_c REAL NOT NULL,
  PRIMARY KEY (at_ms, source)
) STRICT, WITHOUT ROWID;

CREATE TABLE instrument_new (
  id               TEXT PRIMARY KEY,
  name             TEXT NOT NULL,
  kind             TEXT NOT NULL,
  quantity         TEXT NOT NULL CHECK (quantity IN ('tempC', 'ph', 'wheyG', 'roomC')),
  simulated        INTEGER NOT NULL CHECK (simulated IN (0, 1)),
  token            TEXT NOT NULL,
  batch_id         TEXT CHECK (batch_id IS NULL OR quantity <> 'roomC'),
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
