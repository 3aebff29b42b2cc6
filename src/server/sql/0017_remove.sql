-- A recipe that was never cooked is nobody's record: it may be taken out for good, with its versions. One that was
-- cooked, came with an archive, or stands in a service stays; it is put away instead.
DROP TRIGGER recipe_version_append_only ON recipe_version;
CREATE TRIGGER recipe_version_append_only BEFORE UPDATE ON recipe_version
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

CREATE FUNCTION refuse_removing() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('panache.removing', true) IS DISTINCT FROM OLD.kitchen_id || '/' || OLD.recipe_id THEN
    RAISE EXCEPTION '% is append-only', TG_TABLE_NAME;
  END IF;
  RETURN OLD;
END $$;
CREATE TRIGGER recipe_version_not_removed BEFORE DELETE ON recipe_version
  FOR EACH ROW EXECUTE FUNCTION refuse_removing();

-- What keeps a recipe: 'cooked', 'archive' or 'service'; null where nothing does, and then it is gone.
CREATE FUNCTION remove_recipe(kitchen text, recipe_name text) RETURNS text
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM batch b WHERE b.kitchen_id = kitchen AND b.recipe_id = recipe_name) THEN
    RETURN 'cooked';
  END IF;
  IF EXISTS (SELECT 1 FROM imported_version i WHERE i.kitchen_id = kitchen AND i.recipe_id = recipe_name) THEN
    RETURN 'archive';
  END IF;
  IF EXISTS (SELECT 1 FROM service s JOIN service_version v USING (kitchen_id, id, revision)
      WHERE s.kitchen_id = kitchen AND NOT s.archived
        AND v.body -> 'soups' @> jsonb_build_array(jsonb_build_object('order', jsonb_build_object('recipeId', recipe_name)))) THEN
    RETURN 'service';
  END IF;
  PERFORM set_config('panache.removing', kitchen || '/' || recipe_name, true);
  DELETE FROM recipe_version v WHERE v.kitchen_id = kitchen AND v.recipe_id = recipe_name;
  DELETE FROM recipe r WHERE r.kitchen_id = kitchen AND r.id = recipe_name;
  PERFORM set_config('panache.removing', '', true);
  RETURN NULL;
END $$;
