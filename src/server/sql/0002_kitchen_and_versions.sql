ALTER TABLE kitchen
  ADD COLUMN measures         text NOT NULL DEFAULT 'scale' CHECK (measures IN ('scale', 'spoons')),
  ADD COLUMN show_volume      text NOT NULL DEFAULT 'L' CHECK (show_volume IN ('L', 'gal')),
  ADD COLUMN show_temperature text NOT NULL DEFAULT 'C' CHECK (show_temperature IN ('C', 'F')),
  ADD COLUMN currency         text NOT NULL DEFAULT '',
  ADD COLUMN flagged          text[] NOT NULL DEFAULT '{}',
  ADD COLUMN roles            text[] NOT NULL DEFAULT '{Early,Late,Lead}',
  -- Counts every save, so that two people editing at once cannot silently undo each other.
  ADD COLUMN revision         integer NOT NULL DEFAULT 1;

-- Set by a water test; NULL means the model's own.
ALTER TABLE pot ADD COLUMN loss_factor double precision CHECK (loss_factor BETWEEN 0.1 AND 5);
ALTER TABLE burner ADD COLUMN into_pot_w double precision CHECK (into_pot_w BETWEEN 50 AND 60000);

-- What the house knows of its own product better than the catalogue; NULL means the catalogue's.
CREATE TABLE product (
  kitchen_id   text NOT NULL REFERENCES kitchen,
  ingredient   text NOT NULL,
  name         text,
  sodium       double precision CHECK (sodium BETWEEN 0 AND 40000),
  fat_percent  double precision CHECK (fat_percent BETWEEN 0 AND 100),
  ph           double precision CHECK (ph BETWEEN 2 AND 9),
  edible_yield double precision CHECK (edible_yield > 0 AND edible_yield <= 1),
  price_per_kg double precision CHECK (price_per_kg >= 0),
  allergens    text[],
  PRIMARY KEY (kitchen_id, ingredient)
);

-- Every water test as it was read; the newest of a pot or burner sets its figure.
CREATE TABLE water_test (
  id          uuid PRIMARY KEY,
  kitchen_id  text NOT NULL REFERENCES kitchen,
  pot_id      text NOT NULL,
  burner_id   text NOT NULL,
  made_at     timestamptz NOT NULL DEFAULT now(),
  readings    jsonb NOT NULL,
  loss_factor double precision NOT NULL,
  into_pot_w  double precision NOT NULL
);
CREATE TRIGGER water_test_append_only BEFORE UPDATE OR DELETE ON water_test
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

ALTER TABLE recipe ADD COLUMN archived_at timestamptz;
-- Why the version was made, in the words of whoever saved it.
ALTER TABLE recipe_version ADD COLUMN note text NOT NULL DEFAULT '';
