-- What was sent to the print house, and what came of it.
CREATE TABLE print_orders (
  id text PRIMARY KEY,
  swatch text NOT NULL,
  version integer NOT NULL,
  -- As they were called and looked when the order was made.
  name text NOT NULL,
  thumbnail text NOT NULL,
  cloth jsonb NOT NULL,
  metres double precision NOT NULL,
  format text NOT NULL,
  dpi double precision NOT NULL,
  state text NOT NULL,
  message text,
  -- What sends it.
  job text,
  -- The hash of the file, the upload that was begun of it, and the order, as the print house knows them.
  sha256 text,
  upload text,
  house_order text,
  -- Pence.
  price integer,
  total integer,
  -- The pictures of the strike-off.
  piece text,
  across text,
  ordered_at timestamptz NOT NULL DEFAULT now(),
  changed_at timestamptz NOT NULL DEFAULT now()
);
