-- A taking back that was taken back makes what it named count again, as core/record/counting has it: looked at from the last to
-- the first, since nothing names what is not there yet.
CREATE FUNCTION taken_back(of_batch uuid, since timestamptz) RETURNS text[] LANGUAGE plpgsql STABLE AS $$
DECLARE
  gone text[] := '{}';
  w record;
BEGIN
  FOR w IN
    SELECT e.id::text AS id, e.body ->> 'event' AS event FROM batch_event e
    WHERE e.batch_id = of_batch AND e.received_at >= since AND e.body ->> 'kind' = 'withdrawn'
    ORDER BY e.at DESC, e.seq DESC
  LOOP
    IF w.id <> ALL (gone) THEN gone := gone || w.event; END IF;
  END LOOP;
  RETURN gone;
END $$;

CREATE OR REPLACE FUNCTION batch_ends(batches uuid[], since timestamptz)
RETURNS TABLE (batch_id uuid, over_at timestamptz, off_stove_at timestamptz) LANGUAGE sql STABLE AS $$
  SELECT i.id,
    max(e.received_at) FILTER (
      WHERE e.body ->> 'kind' = 'cleared' OR e.body ->> 'goesTo' IN ('pass', 'bin')),
    max(e.received_at)
  FROM unnest(batches) AS i(id)
  CROSS JOIN LATERAL (SELECT taken_back(i.id, since) AS ids) gone
  LEFT JOIN batch_event e ON e.batch_id = i.id AND e.received_at >= since AND e.body ->> 'kind' IN ('cleared', 'finished')
    AND e.id::text <> ALL (gone.ids)
  GROUP BY i.id
$$;
