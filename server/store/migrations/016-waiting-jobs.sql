-- Jobs wait as rows until their turn comes.
ALTER TABLE jobs ADD COLUMN begun_at timestamptz;
UPDATE jobs SET begun_at = updated_at;
CREATE INDEX jobs_waiting ON jobs (created_at) WHERE state = 'running' AND begun_at IS NULL;
