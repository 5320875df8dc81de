-- Parts of bundles can be stretched and slanted.
UPDATE motifs
SET recipe = jsonb_set(recipe, '{parts}', (
  SELECT jsonb_agg('{"stretch": 1, "skew": 0}'::jsonb || part ORDER BY place)
  FROM jsonb_array_elements(recipe->'parts') WITH ORDINALITY AS listed (part, place)
))
WHERE recipe->>'kind' = 'bundle';

-- What each save did, for windows that were not its own: they take it up, and see what was changed.
ALTER TABLE designs DROP COLUMN last_save;
CREATE TABLE saves (
  design_id text NOT NULL REFERENCES designs (id),
  -- The design's revision after it.
  revision integer NOT NULL,
  save text NOT NULL,
  commands jsonb NOT NULL,
  PRIMARY KEY (design_id, revision)
);
CREATE INDEX saves_by_name ON saves (design_id, save);

-- Arrangements of a design that were kept under a name, to be looked at side by side.
CREATE TABLE alternatives (
  id text PRIMARY KEY,
  design_id text NOT NULL REFERENCES designs (id),
  name text NOT NULL,
  document jsonb NOT NULL,
  kept_at timestamptz NOT NULL DEFAULT now()
);
