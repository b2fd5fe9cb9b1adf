-- Whether a make could be followed, and how many windows were given of it: read off its figures when they are written,
-- so that nobody takes thousands of them apart to count.
ALTER TABLE make_figures ADD COLUMN is_followed INTEGER GENERATED ALWAYS AS (json_type(body, '$.figures') = 'object') VIRTUAL;
ALTER TABLE make_figures ADD COLUMN windows INTEGER GENERATED ALWAYS AS (coalesce(json_array_length(body, '$.figures.given'), 0)) VIRTUAL;
CREATE INDEX make_figures_followed ON make_figures (is_followed, batch_id);
CREATE INDEX make_figures_windows ON make_figures (batch_id) WHERE windows > 0;
CREATE INDEX make_of_method ON make (method_id, started_ms);
