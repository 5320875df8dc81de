-- Fonts that drawings may be set in, besides those that ship with the app. One of each family and style is in use.
CREATE TABLE fonts (
  id text PRIMARY KEY,
  family text NOT NULL,
  style text NOT NULL,
  -- Content address of the file as the engine reads it.
  file text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  deleted_at timestamptz
);
CREATE UNIQUE INDEX fonts_in_use ON fonts (lower(family), lower(style)) WHERE deleted_at IS NULL;
