-- Saves are kept as they come; a design's whole document is written now and then, and the saves since are applied to it.
ALTER TABLE designs
  -- Short, for the rows that belong to a design.
  ADD COLUMN number integer GENERATED ALWAYS AS IDENTITY UNIQUE,
  -- The revision that the document has.
  ADD COLUMN written integer,
  -- Whether it was found to be a whole design before it was written, so that it need not be checked when it is read.
  ADD COLUMN checked boolean NOT NULL DEFAULT false,
  -- What lists show, as of the last revision.
  ADD COLUMN name text,
  ADD COLUMN repeat jsonb,
  ADD COLUMN motifs integer;
UPDATE designs SET
  written = revision,
  name = document->>'name',
  repeat = document->'repeat',
  motifs = jsonb_array_length(document->'placements');
-- How often a motif lies in a design, as of the last revision.
CREATE TABLE uses (
  design integer NOT NULL REFERENCES designs (number),
  motif text NOT NULL,
  count integer NOT NULL,
  PRIMARY KEY (design, motif)
);
INSERT INTO uses (design, motif, count)
SELECT number, placement->>'motif', count(*)
FROM designs, jsonb_array_elements(document->'placements') AS placement
GROUP BY 1, 2;
CREATE INDEX uses_by_motif ON uses (motif);
ALTER TABLE designs
  ALTER COLUMN written SET NOT NULL,
  ALTER COLUMN name SET NOT NULL,
  ALTER COLUMN repeat SET NOT NULL,
  ALTER COLUMN motifs SET NOT NULL,
  ALTER COLUMN document TYPE text USING document::text;

ALTER TABLE saves RENAME TO saves_before;
CREATE TABLE saves (
  design integer NOT NULL REFERENCES designs (number),
  -- The design's revision after it.
  revision integer NOT NULL,
  save text NOT NULL,
  commands text NOT NULL,
  PRIMARY KEY (design, revision)
);
INSERT INTO saves (design, revision, save, commands)
SELECT designs.number, saves_before.revision, saves_before.save, saves_before.commands::text
FROM saves_before JOIN designs ON designs.id = saves_before.design_id;
DROP TABLE saves_before;
