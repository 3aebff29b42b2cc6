-- What is over is known on the batch itself, so that what lives is found without its history: the event that ends it,
-- or takes that back, says so in the same statement. What stands in a batch’s own columns besides stays as it was written.
ALTER TABLE batch
  -- Served, thrown away or cleared: nothing of it is to be shown any more.
  ADD COLUMN over_at      timestamptz,
  -- Finished or cleared: its burner is free.
  ADD COLUMN off_stove_at timestamptz;

DROP TRIGGER batch_append_only ON batch;
CREATE TRIGGER batch_append_only
  BEFORE DELETE OR TRUNCATE
    OR UPDATE OF id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at ON batch
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- When batches ended by what stands of their events: an event that was taken back never happened.
CREATE FUNCTION batch_ends(batches uuid[])
RETURNS TABLE (batch_id uuid, over_at timestamptz, off_stove_at timestamptz) LANGUAGE sql STABLE AS $$
  SELECT i.id,
    max(e.received_at) FILTER (
      WHERE e.body ->> 'kind' = 'cleared' OR e.body ->> 'goesTo' IN ('pass', 'bin')),
    max(e.received_at)
  FROM unnest(batches) AS i(id)
  LEFT JOIN batch_event e ON e.batch_id = i.id AND e.body ->> 'kind' IN ('cleared', 'finished')
    AND NOT EXISTS (
      SELECT 1 FROM batch_event w WHERE w.batch_id = e.batch_id
        AND w.body ->> 'kind' = 'withdrawn' AND w.body ->> 'event' = e.id::text)
  GROUP BY i.id
$$;

-- By the owner’s rights: the application itself may change nothing of a batch.
CREATE FUNCTION settle_batches() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  moved uuid[] := ARRAY(SELECT DISTINCT batch_id FROM fresh
    WHERE body ->> 'kind' IN ('cleared', 'finished', 'withdrawn') ORDER BY batch_id);
BEGIN
  IF cardinality(moved) = 0 THEN RETURN NULL; END IF;
  -- Held first: whoever ends it at the same moment is seen by what follows.
  PERFORM 1 FROM batch WHERE id = ANY(moved) ORDER BY id FOR NO KEY UPDATE;
  UPDATE batch b SET over_at = s.over_at, off_stove_at = s.off_stove_at
  FROM batch_ends(moved) s
  WHERE b.id = s.batch_id AND (b.over_at, b.off_stove_at) IS DISTINCT FROM (s.over_at, s.off_stove_at);
  RETURN NULL;
END $$;
CREATE TRIGGER batch_event_settles AFTER INSERT ON batch_event
  REFERENCING NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION settle_batches();

CREATE OR REPLACE VIEW kept_batch AS
  SELECT b.* FROM batch b
  WHERE NOT EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id)
     OR EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id
          AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.import_id));
