-- What a job was asked for, where it is started again after the server ended in the middle; and how often it was.
ALTER TABLE jobs
  ADD COLUMN request jsonb,
  ADD COLUMN attempts integer NOT NULL DEFAULT 1;

-- Files as they were ordered, under a name, to be ordered again.
CREATE TABLE export_presets (
  id text PRIMARY KEY,
  name text NOT NULL,
  file jsonb NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);
