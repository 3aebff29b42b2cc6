CREATE TABLE kitchen (
  id           text PRIMARY KEY,
  name         text NOT NULL,
  altitude_m   double precision NOT NULL CHECK (altitude_m BETWEEN -500 AND 5000),
  air_celsius  double precision NOT NULL CHECK (air_celsius BETWEEN -10 AND 60),
  humidity     double precision NOT NULL CHECK (humidity BETWEEN 0 AND 1),
  salt_percent double precision NOT NULL CHECK (salt_percent BETWEEN 0 AND 3),
  band_limits  double precision[4] NOT NULL
);

CREATE TABLE pot (
  kitchen_id  text NOT NULL REFERENCES kitchen,
  id          text NOT NULL,
  name        text NOT NULL,
  diameter_mm double precision NOT NULL CHECK (diameter_mm > 0),
  height_mm   double precision NOT NULL CHECK (height_mm > 0),
  material    text NOT NULL,
  mass_g      double precision NOT NULL CHECK (mass_g > 0),
  place       integer NOT NULL,
  PRIMARY KEY (kitchen_id, id)
);

CREATE TABLE burner (
  kitchen_id text NOT NULL REFERENCES kitchen,
  id         text NOT NULL,
  name       text NOT NULL,
  kind       text NOT NULL,
  power_w    double precision NOT NULL CHECK (power_w > 0),
  place      integer NOT NULL,
  PRIMARY KEY (kitchen_id, id)
);

CREATE TABLE recipe (
  kitchen_id text NOT NULL REFERENCES kitchen,
  id         text NOT NULL,
  place      integer NOT NULL,
  PRIMARY KEY (kitchen_id, id)
);

-- A version is never changed: a batch keeps the one it was cooked from.
CREATE TABLE recipe_version (
  kitchen_id text NOT NULL,
  recipe_id  text NOT NULL,
  version    integer NOT NULL CHECK (version > 0),
  body       jsonb NOT NULL,
  made_at    timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (kitchen_id, recipe_id, version),
  FOREIGN KEY (kitchen_id, recipe_id) REFERENCES recipe (kitchen_id, id)
);

CREATE TABLE batch (
  id             uuid PRIMARY KEY,
  kitchen_id     text NOT NULL,
  recipe_id      text NOT NULL,
  recipe_version integer NOT NULL,
  plan           jsonb NOT NULL,
  started_at     timestamptz NOT NULL,
  serve_at       timestamptz,
  FOREIGN KEY (kitchen_id, recipe_id, recipe_version) REFERENCES recipe_version
);

-- What happened. The id is made where the tap happened, so a retry cannot double it.
CREATE TABLE batch_event (
  id          uuid PRIMARY KEY,
  batch_id    uuid NOT NULL REFERENCES batch,
  seq         bigint GENERATED ALWAYS AS IDENTITY,
  at          timestamptz NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  station     text NOT NULL,
  body        jsonb NOT NULL
);
CREATE INDEX batch_event_in_order ON batch_event (batch_id, seq);

CREATE FUNCTION refuse_rewriting() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the record in % is append-only: write a new event that withdraws the old one', TG_TABLE_NAME;
END $$;

CREATE TRIGGER batch_event_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON batch_event
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
CREATE TRIGGER recipe_version_append_only BEFORE UPDATE OR DELETE ON recipe_version
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
