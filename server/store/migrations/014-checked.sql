-- Whether a document was found to be a whole design before it was written, so that it need not be checked when it is read.
ALTER TABLE swatch_versions ADD COLUMN checked boolean NOT NULL DEFAULT false;
ALTER TABLE alternatives ADD COLUMN checked boolean NOT NULL DEFAULT false;
