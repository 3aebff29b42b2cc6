-- What a list of recipes shows of each, beside its body: a list is read without what is in them.
ALTER TABLE recipe_version
  ADD COLUMN name   text GENERATED ALWAYS AS (body ->> 'name') STORED,
  ADD COLUMN school text GENERATED ALWAYS AS (body ->> 'school') STORED,
  ADD COLUMN band   text GENERATED ALWAYS AS (body ->> 'band') STORED;
CREATE OR REPLACE VIEW kept_version AS
  SELECT v.* FROM recipe_version v
  WHERE NOT EXISTS (SELECT 1 FROM imported_version i
          WHERE (i.kitchen_id, i.recipe_id, i.version) = (v.kitchen_id, v.recipe_id, v.version))
     OR EXISTS (SELECT 1 FROM imported_version i
          WHERE (i.kitchen_id, i.recipe_id, i.version) = (v.kitchen_id, v.recipe_id, v.version)
          AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.import_id));
CREATE INDEX recipe_in_order ON recipe (kitchen_id, place, id);
