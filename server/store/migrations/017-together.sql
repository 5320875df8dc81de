-- A save of a try-on that is sent twice counts once.
ALTER TABLE try_ons ADD COLUMN last_save text;

-- Names are told apart by the table, not by a look before. Of equal ones the newest is the one that was meant.
DELETE FROM export_presets AS old USING export_presets AS new
  WHERE old.name = new.name AND (old.created_at, old.id) < (new.created_at, new.id);
ALTER TABLE export_presets ADD CONSTRAINT export_presets_name UNIQUE (name);
DELETE FROM ink_shelves AS old USING ink_shelves AS new
  WHERE old.name = new.name AND (old.created_at, old.id) < (new.created_at, new.id);
ALTER TABLE ink_shelves ADD CONSTRAINT ink_shelves_name UNIQUE (name);

-- Files that nothing named when it was last looked, and since when.
CREATE TABLE unnamed_files (
  address text PRIMARY KEY,
  since timestamptz NOT NULL DEFAULT now()
);
