-- A make is linked with what it was handed over for, too: an order, and of a weekly one the day it fell on; amount_g is what went.
-- What links say is worked out from the log: they are made anew when the file is opened.
DROP TABLE make_link;

CREATE TABLE make_link (
  batch_id TEXT NOT NULL,
  thing_id TEXT NOT NULL,
  way      TEXT NOT NULL CHECK (way IN ('lot', 'gear', 'receiver', 'order')),
  amount_g REAL,
  at_ms    INTEGER,
  PRIMARY KEY (batch_id, thing_id)
) STRICT, WITHOUT ROWID;

CREATE INDEX make_link_of_thing ON make_link (thing_id, batch_id);
CREATE INDEX make_link_of_orders ON make_link (at_ms) WHERE way = 'order';
