-- What decides which of the record is shown stands in the chain too: archives taken in and gone back on, and months put away and
-- brought back. The times and numbers of a line come from the database, never from who writes.
ALTER TABLE seal DROP CONSTRAINT seal_source_check;
ALTER TABLE seal ADD CONSTRAINT seal_source_check
  CHECK (source IN ('batch', 'batch_event', 'keep_event', 'import', 'import_undone', 'part_moved'));

-- The import a batch came by, as it was written; null of one begun here. Only such a batch goes when an import is gone back on.
ALTER TABLE batch ADD COLUMN brought_by uuid;
UPDATE batch b SET brought_by = i.import_id
FROM (SELECT DISTINCT ON (batch_id) batch_id, import_id FROM imported_batch ORDER BY batch_id, import_id) i
WHERE i.batch_id = b.id;
DROP TRIGGER batch_append_only ON batch;
CREATE TRIGGER batch_append_only
  BEFORE DELETE OR TRUNCATE
    OR UPDATE OF id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, brought_by ON batch
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
CREATE OR REPLACE VIEW kept_batch AS
  SELECT b.* FROM batch b
  WHERE NOT EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id)
     OR EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id
          AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.import_id));

CREATE FUNCTION refuse_own_batch() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM batch WHERE id = NEW.batch_id AND brought_by IS NULL) THEN
    RAISE EXCEPTION 'batch % was begun here: no import brought it', NEW.batch_id;
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER imported_batch_came BEFORE INSERT ON imported_batch FOR EACH ROW EXECUTE FUNCTION refuse_own_batch();

-- A version is an import's only in the transaction that wrote it.
CREATE FUNCTION refuse_own_version() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM recipe_version v
      WHERE (v.kitchen_id, v.recipe_id, v.version) = (NEW.kitchen_id, NEW.recipe_id, NEW.version)
        AND v.xmin::text::bigint <> pg_current_xact_id()::text::bigint % 4294967296)
    AND NOT EXISTS (SELECT 1 FROM imported_version i
      WHERE (i.kitchen_id, i.recipe_id, i.version) = (NEW.kitchen_id, NEW.recipe_id, NEW.version)) THEN
    RAISE EXCEPTION 'version % of % was written here: no import brought it', NEW.version, NEW.recipe_id;
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER imported_version_came BEFORE INSERT ON imported_version
  FOR EACH ROW EXECUTE FUNCTION refuse_own_version();

-- A move of a part has an id, by which a link names it.
ALTER TABLE event_part_moved ADD COLUMN id uuid NOT NULL DEFAULT gen_random_uuid() UNIQUE;

-- Which imports are in the chain with all they brought: what a kill cut short is gone on with as the server starts.
CREATE TABLE import_sealed (
  import_id uuid PRIMARY KEY REFERENCES import,
  at        timestamptz NOT NULL DEFAULT now()
);
INSERT INTO import_sealed (import_id)
SELECT i.id FROM import i WHERE NOT EXISTS (
  SELECT 1 FROM imported_batch b WHERE b.import_id = i.id
    AND NOT EXISTS (SELECT 1 FROM seal s WHERE s.source = 'batch' AND s.id = b.batch_id));

CREATE OR REPLACE VIEW to_seal AS
  SELECT b.kitchen_id, 'batch' AS source, b.id, 0::bigint AS seq, b.received_at, b.started_at AS at,
    jsonb_build_object('id', b.id, 'kitchen', b.kitchen_id, 'recipe', b.recipe_id, 'version', b.recipe_version,
      'plan', b.plan,
      'started', to_char(b.started_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'serve', to_char(b.serve_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(b.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US')) AS row
  FROM batch b
  UNION ALL
  SELECT b.kitchen_id, 'batch_event', e.id, e.seq, e.received_at, e.at, event_row(e)
  FROM batch_event e JOIN batch b ON b.id = e.batch_id
  UNION ALL
  SELECT e.kitchen_id, 'keep_event', e.id, e.seq, e.received_at, e.at,
    jsonb_build_object('id', e.id, 'lot', e.lot_id, 'seq', e.seq, 'station', e.station, 'clock', e.clock_ms,
      'at', to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(e.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), 'body', e.body)
  FROM keep_event e
  UNION ALL
  SELECT i.kitchen_id, 'import', i.id, 0, i.made_at, i.made_at,
    jsonb_build_object('id', i.id, 'kitchen', i.kitchen_id, 'taken', i.taken, 'before', i.kitchen_before,
      'revision', i.revision_after, 'made', to_char(i.made_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'batches', coalesce((SELECT jsonb_agg(b.batch_id ORDER BY b.batch_id) FROM imported_batch b WHERE b.import_id = i.id), '[]'),
      'versions', coalesce((SELECT jsonb_agg(jsonb_build_array(v.recipe_id, v.version) ORDER BY v.recipe_id, v.version)
        FROM imported_version v WHERE v.import_id = i.id), '[]'))
  FROM import i
  UNION ALL
  SELECT i.kitchen_id, 'import_undone', u.import_id, 0, u.at, u.at,
    jsonb_build_object('import', u.import_id, 'at', to_char(u.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'))
  FROM import_undone u JOIN import i ON i.id = u.import_id
  UNION ALL
  SELECT k.id, 'part_moved', m.id, 0, m.at, m.at,
    jsonb_build_object('id', m.id, 'part', m.part, 'n', m.n, 'what', m.what, 'lines', m.lines, 'sha256', m.sha256,
      'file', m.file, 'at', to_char(m.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'))
  FROM event_part_moved m CROSS JOIN LATERAL (SELECT id FROM kitchen ORDER BY id LIMIT 1) k;

-- The next links of a kitchen's chain, numbered and hashed here: over the canonical form (RFC 8785) of the link before, the number, what
-- it speaks of and the hash of its row. The moment is this one. Returns the new end of the chain.
CREATE FUNCTION seal_lines(kitchen text, sources text[], ids uuid[], hashes text[], OUT n bigint, OUT hash text)
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM pg_advisory_xact_lock(hashtext('panache seal'), hashtext(kitchen));
  SELECT s.n, s.hash INTO n, hash FROM seal s WHERE s.kitchen_id = kitchen ORDER BY s.n DESC LIMIT 1;
  n := coalesce(n, 0);
  hash := coalesce(hash, '');
  FOR i IN 1 .. coalesce(cardinality(ids), 0) LOOP
    IF hashes[i] !~ '^[0-9a-f]{64}$' THEN RAISE EXCEPTION 'what is sealed is a SHA-256, not %', hashes[i]; END IF;
    n := n + 1;
    hash := encode(sha256(convert_to(format('{"before":"%s","id":"%s","n":%s,"row":"%s","source":"%s"}',
      hash, ids[i], n, hashes[i], sources[i]), 'UTF8')), 'hex');
    INSERT INTO seal (kitchen_id, n, source, id, row, hash, sealed_at)
    VALUES (kitchen, n, sources[i], ids[i], hashes[i], hash, clock_timestamp());
  END LOOP;
END $$;

-- A batch of an archive keeps the moment it was first taken, and says for good that it was brought.
CREATE FUNCTION bring_batch(import uuid, batch uuid, kitchen text, recipe text, version integer, plan jsonb,
  started timestamptz, serve timestamptz, received timestamptz) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, brought_by)
  VALUES (batch, kitchen, recipe, version, plan, started, serve, received, import) ON CONFLICT (id) DO NOTHING;
  RETURN FOUND;
END $$;

-- Lines of a batch an archive brings, in the order given, with the moments they were first taken; none is written of a batch begun here.
CREATE FUNCTION bring_lines(ids uuid[], batches uuid[], ats timestamptz[], stations text[], bodies jsonb[],
  clocks bigint[], receiveds timestamptz[]) RETURNS SETOF uuid
LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
  INSERT INTO batch_event (id, batch_id, at, station, body, clock_ms, received_at, batch_started_at)
  SELECT d.id, b.id, d.at, d.station, d.body, d.clock_ms, d.received_at, b.started_at
  FROM unnest(ids, batches, ats, stations, bodies, clocks, receiveds) WITH ORDINALITY
    AS d(id, batch_id, at, station, body, clock_ms, received_at, n)
  JOIN batch b ON b.id = d.batch_id AND b.brought_by IS NOT NULL
  WHERE d.at - d.received_at <= interval '1 day' AND d.at - b.started_at >= interval '-1 day'
    AND d.received_at <= now() + interval '1 day'
  ORDER BY d.n
  RETURNING id
$$;

-- As bring_lines, of what is kept; the thing it is of has no line of this kitchen's own.
CREATE FUNCTION bring_kept(id uuid, kitchen text, lot uuid, at timestamptz, station text, clock bigint, body jsonb,
  received timestamptz) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF received > now() + interval '1 day' THEN RETURN false; END IF;
  INSERT INTO keep_event (id, kitchen_id, lot_id, at, station, clock_ms, body, received_at)
  VALUES (id, kitchen, lot, at, station, clock, body, received);
  RETURN FOUND;
END $$;

REVOKE ALL ON FUNCTION seal_lines(text, text[], uuid[], text[]) FROM PUBLIC;
REVOKE ALL ON FUNCTION bring_batch(uuid, uuid, text, text, integer, jsonb, timestamptz, timestamptz, timestamptz) FROM PUBLIC;
REVOKE ALL ON FUNCTION bring_lines(uuid[], uuid[], timestamptz[], text[], jsonb[], bigint[], timestamptz[]) FROM PUBLIC;
REVOKE ALL ON FUNCTION bring_kept(uuid, text, uuid, timestamptz, text, bigint, jsonb, timestamptz) FROM PUBLIC;

-- Who could write the record before can go on while it is brought up to date.
DO $$
DECLARE
  g record;
BEGIN
  FOR g IN SELECT DISTINCT grantee FROM information_schema.role_table_grants
    WHERE table_schema = 'public' AND table_name = 'seal' AND privilege_type = 'INSERT' AND grantee <> current_user
  LOOP
    EXECUTE format('GRANT EXECUTE ON FUNCTION seal_lines(text, text[], uuid[], text[]) TO %I', g.grantee);
  END LOOP;
END $$;
