-- What the ledger knows of each make, worked out from its log by hand (as it stood at of_seq): it may be emptied at any time, and is
-- worked out anew then. form names how it was worked out.
CREATE TABLE make (
  row        INTEGER PRIMARY KEY,
  batch_id   TEXT NOT NULL UNIQUE,
  of_seq     INTEGER NOT NULL,
  form       TEXT NOT NULL,
  state      TEXT NOT NULL,
  method_id  TEXT NOT NULL,
  name_key   TEXT NOT NULL,
  started_ms INTEGER NOT NULL,
  ended_ms   INTEGER,
  made_g     REAL NOT NULL,
  here_g     REAL NOT NULL,
  use_by     TEXT,
  taste      INTEGER,
  line       TEXT NOT NULL CHECK (json_valid(line))
) STRICT;

CREATE INDEX make_by_start ON make (started_ms);
CREATE INDEX make_by_state ON make (state, started_ms);
CREATE INDEX make_on ON make (started_ms) WHERE ended_ms IS NULL;

-- What went into a make and who got some of it, by id; amount_g where it was weighed out of a lot,
-- and when that was last done.
CREATE TABLE make_link (
  batch_id TEXT NOT NULL,
  thing_id TEXT NOT NULL,
  way      TEXT NOT NULL CHECK (way IN ('lot', 'gear', 'receiver')),
  amount_g REAL,
  at_ms    INTEGER,
  PRIMARY KEY (batch_id, thing_id)
) STRICT, WITHOUT ROWID;

CREATE INDEX make_link_of_thing ON make_link (thing_id, batch_id);

-- Every word that a make is found by; its rowid is the make's row.
CREATE VIRTUAL TABLE make_words USING fts5 (words, tokenize = "unicode61 remove_diacritics 2", prefix = '1 2 3');
