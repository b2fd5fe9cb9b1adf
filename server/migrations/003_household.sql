-- One row each: the settings of the household and where the kitchen's clock stands.
CREATE TABLE settings (
  only_row INTEGER PRIMARY KEY CHECK (only_row = 1),
  version  INTEGER NOT NULL,
  body     TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE TABLE clock (
  only_row   INTEGER PRIMARY KEY CHECK (only_row = 1),
  rate       REAL NOT NULL,
  kitchen_ms INTEGER NOT NULL
) STRICT;
