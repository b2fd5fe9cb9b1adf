-- Milk and cream that is brought, once or each week. A row that was taken away stays, with the moment it went.
CREATE TABLE supply (
  id      TEXT PRIMARY KEY,
  version INTEGER NOT NULL,
  gone_ms INTEGER,
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
