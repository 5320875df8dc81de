-- How the artwork is made, where it is not simply read from a file.
ALTER TABLE motifs ADD COLUMN recipe jsonb;

-- Scans and photographs on the workshop's shelf, each with what is done to it so far.
CREATE TABLE sheets (
  id text PRIMARY KEY,
  name text NOT NULL,
  picture text NOT NULL,
  preview text NOT NULL,
  width integer NOT NULL,
  height integer NOT NULL,
  dpi double precision NOT NULL CHECK (dpi > 0),
  steps jsonb NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  deleted_at timestamptz
);
