CREATE TABLE motifs (
  id text PRIMARY KEY,
  name text NOT NULL,
  collection text NOT NULL,
  width double precision NOT NULL CHECK (width > 0),
  artwork text NOT NULL,
  view jsonb NOT NULL,
  inks jsonb NOT NULL,
  source text NOT NULL,
  thumbnail text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE designs (
  id text PRIMARY KEY,
  document jsonb NOT NULL,
  revision integer NOT NULL DEFAULT 1,
  -- The last accepted save, so that one sent twice is not taken for a stale one.
  last_save text,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now(),
  deleted_at timestamptz
);

CREATE TABLE swatches (
  id text PRIMARY KEY,
  name text NOT NULL,
  design_id text NOT NULL,
  revision integer NOT NULL,
  design jsonb NOT NULL,
  motifs jsonb NOT NULL,
  tile text NOT NULL,
  thumbnail text NOT NULL,
  tile_width integer NOT NULL,
  tile_height integer NOT NULL,
  saved_at timestamptz NOT NULL DEFAULT now(),
  deleted_at timestamptz
);

CREATE TABLE jobs (
  id text PRIMARY KEY,
  kind text NOT NULL,
  state text NOT NULL CHECK (state IN ('running', 'done', 'failed', 'stopped')),
  progress double precision NOT NULL DEFAULT 0,
  message text,
  result jsonb,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now()
);

-- One row: what became of the sample collection.
CREATE TABLE studio (samples text NOT NULL CHECK (samples IN ('due', 'laid', 'declined')));
INSERT INTO studio (samples) VALUES ('due');
