-- Methods of one's own, as data; kept as lots and gear are.
CREATE TABLE own_method (
  id      TEXT PRIMARY KEY,
  version INTEGER NOT NULL,
  gone_ms INTEGER,
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
