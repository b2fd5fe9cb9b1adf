-- What is wanted, by whom and when. A row that was taken away stays, with the moment it went.
CREATE TABLE wanted_order (
  id      TEXT PRIMARY KEY,
  version INTEGER NOT NULL,
  gone_ms INTEGER,
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

-- What a plan that was taken makes of it.
CREATE TABLE planned_pour (
  id      TEXT PRIMARY KEY,
  version INTEGER NOT NULL,
  gone_ms INTEGER,
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
