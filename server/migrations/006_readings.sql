-- What a page begins with is every line by hand and what instruments read of makes that are on; a probe's own lines are
-- found by their time, so that one too near another is not kept.
CREATE INDEX entry_by_hand ON entry (seq) WHERE source = 'hand';
CREATE INDEX entry_of_batch_by_hand ON entry (batch_id, seq) WHERE source = 'hand';
CREATE INDEX entry_of_probe ON entry (batch_id, source, at_ms) WHERE source <> 'hand';
CREATE INDEX entry_ends ON entry (batch_id) WHERE json_extract(body, '$.type') IN ('finished', 'discarded');

-- How an instrument does: its last reading, since when it shows the same, the last that could not be; and of a simulated
-- one the fault it was given and when it was last calibrated.
ALTER TABLE instrument ADD COLUMN last_ms INTEGER;
ALTER TABLE instrument ADD COLUMN last_value REAL;
ALTER TABLE instrument ADD COLUMN same_since_ms INTEGER;
ALTER TABLE instrument ADD COLUMN impossible_ms INTEGER;
ALTER TABLE instrument ADD COLUMN impossible_value REAL;
ALTER TABLE instrument ADD COLUMN fault TEXT;
ALTER TABLE instrument ADD COLUMN fault_since_ms INTEGER;
ALTER TABLE instrument ADD COLUMN calibrated_ms INTEGER;
