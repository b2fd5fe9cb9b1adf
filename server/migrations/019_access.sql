-- Who may use this dairy over a network. Whatever lets in is kept as a hash: who reads the file or a backup of it cannot use it.
CREATE TABLE access (
  only_row     INTEGER PRIMARY KEY CHECK (only_row = 1),
  passphrase   TEXT,
  calendar_key TEXT NOT NULL
) STRICT;

CREATE TABLE device (
  id         TEXT PRIMARY KEY,
  token_hash TEXT NOT NULL UNIQUE,
  name       TEXT NOT NULL,
  maker      TEXT NOT NULL,
  role       TEXT NOT NULL CHECK (role IN ('looks', 'works', 'keeps')),
  let_in_ms  INTEGER NOT NULL,
  last_ms    INTEGER NOT NULL,
  ends_ms    INTEGER,
  by_link    TEXT
) STRICT;

CREATE TABLE invitation (
  id          TEXT PRIMARY KEY,
  secret_hash TEXT NOT NULL UNIQUE,
  kind        TEXT NOT NULL CHECK (kind IN ('code', 'link')),
  role        TEXT NOT NULL CHECK (role IN ('looks', 'works', 'keeps')),
  maker       TEXT NOT NULL,
  ends_ms     INTEGER NOT NULL
) STRICT;

-- Who wrote a line of the log; null where nobody was asked.
ALTER TABLE entry ADD COLUMN by_whom TEXT;
