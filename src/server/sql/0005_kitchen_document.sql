-- A kitchen is always read and saved whole: it is kept as one document, panache.kitchen/1, versioned as recipes are.
CREATE TABLE kitchen_version (
  kitchen_id text NOT NULL REFERENCES kitchen,
  revision   integer NOT NULL CHECK (revision > 0),
  body       jsonb NOT NULL CHECK (body ->> 'format' = 'panache.kitchen/1' AND body ->> 'id' = kitchen_id),
  made_at    timestamptz NOT NULL DEFAULT now(),
  -- Who saved it, by role, and why, in their words; empty when nobody said.
  made_by    text NOT NULL DEFAULT '',
  note       text NOT NULL DEFAULT '',
  PRIMARY KEY (kitchen_id, revision)
);

-- What stood before is the first that is kept: of those before it nobody wrote down what they were.
INSERT INTO kitchen_version (kitchen_id, revision, body)
SELECT k.id, k.revision, jsonb_build_object(
  'format', 'panache.kitchen/1',
  'id', k.id,
  'name', k.name,
  'altitudeM', k.altitude_m,
  'airCelsius', k.air_celsius,
  'humidity', k.humidity,
  'saltPercent', k.salt_percent,
  'bandLimits', to_jsonb(k.band_limits),
  'measures', k.measures,
  'show', jsonb_build_object('volume', k.show_volume, 'temperature', k.show_temperature),
  'currency', k.currency,
  'flagged', to_jsonb(k.flagged),
  'roles', to_jsonb(k.roles),
  'vessels', coalesce((SELECT jsonb_agg(jsonb_strip_nulls(jsonb_build_object(
      'id', p.id, 'name', p.name, 'diameterMm', p.diameter_mm, 'heightMm', p.height_mm,
      'material', p.material, 'massG', p.mass_g, 'lossFactor', p.loss_factor)) ORDER BY p.place, p.id)
    FROM pot p WHERE p.kitchen_id = k.id), '[]'),
  'burners', coalesce((SELECT jsonb_agg(jsonb_strip_nulls(jsonb_build_object(
      'id', b.id, 'name', b.name, 'kind', b.kind, 'powerW', b.power_w, 'intoPotW', b.into_pot_w)) ORDER BY b.place, b.id)
    FROM burner b WHERE b.kitchen_id = k.id), '[]'),
  'products', coalesce((SELECT jsonb_agg(jsonb_strip_nulls(jsonb_build_object(
      'ingredient', p.ingredient, 'name', p.name, 'sodium', p.sodium, 'fatPercent', p.fat_percent, 'pH', p.ph,
      'edibleYield', p.edible_yield, 'pricePerKg', p.price_per_kg, 'allergens', to_jsonb(p.allergens))) ORDER BY p.ingredient)
    FROM product p WHERE p.kitchen_id = k.id), '[]'),
  'funnels', coalesce((SELECT jsonb_agg(jsonb_build_object(
      'id', f.id, 'name', f.name, 'orificeMm', f.orifice_mm, 'ml', f.ml,
      'thin', jsonb_build_object('nu', f.thin_nu, 'seconds', f.thin_s),
      'thick', jsonb_build_object('nu', f.thick_nu, 'seconds', f.thick_s)) ORDER BY f.place, f.id)
    FROM funnel f WHERE f.kitchen_id = k.id), '[]'))
FROM kitchen k;

CREATE TRIGGER kitchen_version_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON kitchen_version
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

DROP TABLE pot, burner, product, funnel;
ALTER TABLE kitchen
  DROP COLUMN name, DROP COLUMN altitude_m, DROP COLUMN air_celsius, DROP COLUMN humidity, DROP COLUMN salt_percent,
  DROP COLUMN band_limits, DROP COLUMN measures, DROP COLUMN show_volume, DROP COLUMN show_temperature,
  DROP COLUMN currency, DROP COLUMN flagged, DROP COLUMN roles, DROP COLUMN revision;

-- Who saved a version of a recipe, by role.
ALTER TABLE recipe_version ADD COLUMN made_by text NOT NULL DEFAULT '';
CREATE OR REPLACE VIEW kept_version AS
  SELECT v.* FROM recipe_version v
  WHERE NOT EXISTS (SELECT 1 FROM imported_version i
          WHERE (i.kitchen_id, i.recipe_id, i.version) = (v.kitchen_id, v.recipe_id, v.version))
     OR EXISTS (SELECT 1 FROM imported_version i
          WHERE (i.kitchen_id, i.recipe_id, i.version) = (v.kitchen_id, v.recipe_id, v.version)
          AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.import_id));
