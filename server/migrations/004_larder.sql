-- What the larder holds: lots and gear. A row that was taken away stays, with the moment it went, so that what was made
-- of it can be traced and the taking away undone.
CREATE TABLE lot (
  id      TEXT PRIMARY KEY,
  version INTEGER NOT NULL,
  gone_ms INTEGER,
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE INDEX entry_took ON entry (json_extract(body, '$.lotId')) WHERE json_extract(body, '$.type') = 'took';

CREATE TABLE gear (
  id      TEXT PRIMARY KEY,
  version INTEGER NOT NULL,
  gone_ms INTEGER,
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
