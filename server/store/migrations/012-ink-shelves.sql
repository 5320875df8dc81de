-- Named sets of colours that any design can use.
CREATE TABLE ink_shelves (
  id text PRIMARY KEY,
  name text NOT NULL,
  inks jsonb NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);
