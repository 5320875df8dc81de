-- Swatches on products, as documents of their own, and the studio's own products.
CREATE TABLE try_ons (
  id text PRIMARY KEY,
  document jsonb NOT NULL,
  revision integer NOT NULL DEFAULT 1,
  created_at timestamptz NOT NULL DEFAULT now(),
  changed_at timestamptz NOT NULL DEFAULT now(),
  deleted_at timestamptz
);

CREATE TABLE products (
  id text PRIMARY KEY,
  product jsonb NOT NULL,
  -- The address of its drawing.
  drawing text NOT NULL,
  -- The photograph that its faces were marked on, if it is made of one.
  photo jsonb,
  created_at timestamptz NOT NULL DEFAULT now(),
  deleted_at timestamptz
);
