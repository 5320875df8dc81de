ALTER TABLE motifs ADD COLUMN tags jsonb NOT NULL DEFAULT '[]';
-- A deleted motif stays where designs still show it; it only leaves the drawer.
ALTER TABLE motifs ADD COLUMN deleted_at timestamptz;
CREATE INDEX motifs_by_source ON motifs (source);
