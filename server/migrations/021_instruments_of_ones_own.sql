-- What an instrument shows to be known is kept as a hash: who reads the file or a backup of it cannot post as one.
ALTER TABLE instrument RENAME COLUMN token TO token_hash;
UPDATE instrument SET token_hash = hash_of(token_hash);
-- What a paused one sends is not kept. One that was taken away stays for the makes that it read.
ALTER TABLE instrument ADD COLUMN is_paused INTEGER NOT NULL DEFAULT 0 CHECK (is_paused IN (0, 1));
ALTER TABLE instrument ADD COLUMN gone_ms INTEGER;

-- How instruments were checked against what is known; what they read after one is corrected by it.
CREATE TABLE instrument_check (
  instrument_id TEXT NOT NULL REFERENCES instrument (id),
  at_ms         INTEGER NOT NULL,
  checked       TEXT NOT NULL CHECK (json_valid(checked)),
  PRIMARY KEY (instrument_id, at_ms)
) STRICT, WITHOUT ROWID;
