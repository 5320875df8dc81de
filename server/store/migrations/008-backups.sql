-- Backups that were made, for those who ask when the last one was. The files themselves lie elsewhere.
CREATE TABLE backups (
  made_at timestamptz PRIMARY KEY,
  bytes bigint NOT NULL,
  kind text NOT NULL CHECK (kind IN ('asked', 'daily'))
);
