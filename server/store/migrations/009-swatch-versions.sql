-- A swatch is a name, and what was saved under it: its versions, none of which is ever written over.
CREATE TABLE swatch_versions (
  swatch_id text NOT NULL REFERENCES swatches (id) ON DELETE CASCADE,
  -- From 1 on.
  number integer NOT NULL,
  note text NOT NULL DEFAULT '',
  -- The design it came from, and that design's revision then.
  design_id text NOT NULL,
  revision integer NOT NULL,
  design jsonb NOT NULL,
  motifs jsonb NOT NULL,
  tile text NOT NULL,
  thumbnail text NOT NULL,
  tile_width integer NOT NULL,
  tile_height integer NOT NULL,
  -- What the book shows of it; read from the design where it was saved before these were kept.
  repeat jsonb,
  colours jsonb,
  saved_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (swatch_id, number)
);
INSERT INTO swatch_versions (swatch_id, number, design_id, revision, design, motifs, tile, thumbnail, tile_width, tile_height, saved_at)
SELECT id, 1, design_id, revision, design, motifs, tile, thumbnail, tile_width, tile_height, saved_at FROM swatches;
ALTER TABLE swatches
  DROP COLUMN design_id,
  DROP COLUMN revision,
  DROP COLUMN design,
  DROP COLUMN motifs,
  DROP COLUMN tile,
  DROP COLUMN thumbnail,
  DROP COLUMN tile_width,
  DROP COLUMN tile_height,
  ADD COLUMN newest integer NOT NULL DEFAULT 1,
  ADD COLUMN book text NOT NULL DEFAULT '',
  ADD COLUMN tags jsonb NOT NULL DEFAULT '[]',
  ADD COLUMN notes text NOT NULL DEFAULT '';
-- When the newest version was saved.
ALTER TABLE swatches RENAME COLUMN saved_at TO changed_at;
