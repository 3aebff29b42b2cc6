-- Many kitchens in one database. Each row belongs to one, and the application reads and writes those of the kitchen it is asked for
-- alone: it says which at the beginning of each transaction (SET LOCAL panache.kitchen). Where it says none it is the only one there
-- is, so that whoever knew of one kitchen can go on while it is brought up to date; as soon as there are two, nothing.
CREATE FUNCTION only_kitchen() RETURNS text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
  RETURN (SELECT CASE count(*) WHEN 1 THEN min(k.id) END FROM (SELECT id FROM kitchen LIMIT 2) k);
CREATE FUNCTION asked_kitchen() RETURNS text LANGUAGE sql STABLE
  RETURN coalesce(nullif(current_setting('panache.kitchen', true), ''), only_kitchen());

-- What does with the owner's rights what the application may not, does it for the kitchen that is asked for; for any, where the owner asks.
CREATE FUNCTION own_kitchen(kitchen text) RETURNS text LANGUAGE plpgsql STABLE AS $$
BEGIN
  IF session_user <> current_user AND kitchen IS DISTINCT FROM asked_kitchen() THEN
    RAISE EXCEPTION 'kitchen % is not the one that is asked for', kitchen USING ERRCODE = 'insufficient_privilege';
  END IF;
  RETURN kitchen;
END $$;

-- A line says whose it is, so that nothing has to look for its batch. It is the batch's to say, whoever writes it. What is there already
-- gets it without being written again: so far there was one kitchen to a database.
DO $$
DECLARE
  one text;
  many bigint;
BEGIN
  SELECT count(*), min(id) INTO many, one FROM kitchen;
  EXECUTE format('ALTER TABLE batch_event ADD COLUMN kitchen_id text NOT NULL DEFAULT %L', coalesce(one, ''));
  ALTER TABLE batch_event ALTER COLUMN kitchen_id DROP DEFAULT;
  IF many > 1 THEN
    SET LOCAL session_replication_role = replica;
    UPDATE batch_event e SET kitchen_id = b.kitchen_id FROM batch b WHERE b.id = e.batch_id AND b.kitchen_id <> one;
    SET LOCAL session_replication_role = DEFAULT;
  END IF;
END $$;
CREATE FUNCTION line_of_kitchen() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  SELECT b.kitchen_id INTO NEW.kitchen_id FROM batch b WHERE b.id = NEW.batch_id;
  RETURN NEW;
END $$;
CREATE TRIGGER batch_event_kitchen BEFORE INSERT ON batch_event FOR EACH ROW EXECUTE FUNCTION line_of_kitchen();

-- Which kitchens are one house's, and which of them leads: it publishes recipes and rules to the others.
CREATE TABLE kitchen_group (
  id      text PRIMARY KEY,
  name    text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  head_id text NOT NULL REFERENCES kitchen
);
CREATE TABLE group_member (
  kitchen_id text PRIMARY KEY REFERENCES kitchen,
  group_id   text NOT NULL REFERENCES kitchen_group
);
CREATE INDEX group_member_of ON group_member (group_id);
CREATE FUNCTION asked_group() RETURNS text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
  RETURN (SELECT m.group_id FROM group_member m WHERE m.kitchen_id = asked_kitchen());
CREATE FUNCTION leads_group() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
  RETURN EXISTS (SELECT 1 FROM kitchen_group g WHERE g.head_id = asked_kitchen());

-- What a group published: a version of a recipe, or the rules things are kept by. It is never changed; another comes after it.
CREATE TABLE published (
  id           uuid PRIMARY KEY,
  group_id     text NOT NULL REFERENCES kitchen_group,
  kind         text NOT NULL CHECK (kind IN ('recipe', 'rules')),
  -- The recipe's id; empty of the rules.
  subject      text NOT NULL DEFAULT '',
  edition      integer NOT NULL CHECK (edition > 0),
  body         jsonb NOT NULL,
  note         text NOT NULL DEFAULT '',
  made_by      text NOT NULL DEFAULT '',
  published_at timestamptz NOT NULL DEFAULT now(),
  UNIQUE (group_id, kind, subject, edition)
);
CREATE TRIGGER published_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON published
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- What a kitchen said to it; the newest counts.
CREATE TABLE published_answer (
  kitchen_id   text NOT NULL REFERENCES kitchen,
  published_id uuid NOT NULL REFERENCES published,
  n            bigint GENERATED ALWAYS AS IDENTITY,
  answer       text NOT NULL CHECK (answer IN ('taken', 'declined')),
  -- What it was taken as: a version of the recipe, or a revision of the kitchen.
  taken_as     integer,
  made_by      text NOT NULL DEFAULT '',
  at           timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (kitchen_id, published_id, n)
);
CREATE TRIGGER published_answer_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON published_answer
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- What a group sees of its kitchens: counts, never a line. Asked by the kitchen that leads it, of its own group.
CREATE FUNCTION group_figures(since timestamptz) RETURNS TABLE (
  kitchen text, name text, batches bigint, first bigint, put_right bigint, outside bigint, untested bigint, thrown bigint,
  binned bigint, too_slow bigint, last_line timestamptz, waiting bigint, declined bigint)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT m.kitchen_id,
    (SELECT v.body ->> 'name' FROM kitchen_version v WHERE v.kitchen_id = m.kitchen_id ORDER BY v.revision DESC LIMIT 1),
    l.batches, l.first, l.put_right, l.outside, l.untested, l.thrown,
    k.binned, k.too_slow,
    (SELECT s.sealed_at FROM seal s WHERE s.kitchen_id = m.kitchen_id ORDER BY s.n DESC LIMIT 1),
    w.waiting, w.declined
  FROM kitchen_group g
  JOIN group_member m ON m.group_id = g.id
  CROSS JOIN LATERAL (
    SELECT count(*) AS batches,
      count(*) FILTER (WHERE o.landed = 'first') AS first,
      count(*) FILTER (WHERE o.landed = 'put right') AS put_right,
      count(*) FILTER (WHERE o.landed = 'outside') AS outside,
      count(*) FILTER (WHERE o.landed = 'untested') AS untested,
      count(*) FILTER (WHERE o.landed = 'thrown') AS thrown
    FROM logged o WHERE o.kitchen_id = m.kitchen_id AND o.started_at >= since) l
  CROSS JOIN LATERAL (
    SELECT count(*) AS binned, count(*) FILTER (WHERE e.body ->> 'why' = 'cooled too slowly') AS too_slow
    FROM keep_event e WHERE e.kitchen_id = m.kitchen_id AND e.at >= since AND e.body ->> 'kind' = 'thrown away'
      AND NOT EXISTS (SELECT 1 FROM keep_event w WHERE w.kitchen_id = e.kitchen_id AND w.at >= since
        AND w.body ->> 'kind' = 'withdrawn' AND w.body ->> 'event' = e.id::text)) k
  CROSS JOIN LATERAL (
    SELECT count(*) FILTER (WHERE a.answer IS NULL) AS waiting, count(*) FILTER (WHERE a.answer = 'declined') AS declined
    FROM (SELECT DISTINCT ON (kind, subject) p.id FROM published p WHERE p.group_id = g.id ORDER BY kind, subject, edition DESC) p
    LEFT JOIN LATERAL (SELECT a.answer FROM published_answer a
      WHERE a.kitchen_id = m.kitchen_id AND a.published_id = p.id ORDER BY a.n DESC LIMIT 1) a ON true
    WHERE m.kitchen_id <> g.head_id) w
  WHERE g.head_id = asked_kitchen()
  ORDER BY 2, 1
$$;

-- How each kitchen of the group answered what is newest, to the one that leads it; null where it has not.
CREATE FUNCTION group_answers() RETURNS TABLE (published uuid, kitchen text, name text, answer text)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT p.id, m.kitchen_id,
    (SELECT v.body ->> 'name' FROM kitchen_version v WHERE v.kitchen_id = m.kitchen_id ORDER BY v.revision DESC LIMIT 1),
    (SELECT a.answer FROM published_answer a WHERE a.kitchen_id = m.kitchen_id AND a.published_id = p.id ORDER BY a.n DESC LIMIT 1)
  FROM kitchen_group g
  JOIN group_member m ON m.group_id = g.id
  CROSS JOIN LATERAL (SELECT DISTINCT ON (kind, subject) p.id FROM published p WHERE p.group_id = g.id
    ORDER BY kind, subject, edition DESC) p
  WHERE g.head_id = asked_kitchen()
  ORDER BY 3, 2
$$;

-- Whose a key is, before anybody knows which kitchen is asked for; that it was seen is noted once a minute.
CREATE FUNCTION station_by_key(of_key text) RETURNS TABLE (id uuid, kitchen_id text, name text, access text, works_as text)
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  UPDATE station s SET seen_at = now()
  WHERE s.key_hash = of_key AND s.revoked_at IS NULL AND s.seen_at < now() - interval '1 minute';
  RETURN QUERY SELECT s.id, s.kitchen_id, s.name, s.access, s.works_as FROM station s
    WHERE s.key_hash = of_key AND s.revoked_at IS NULL;
END $$;

-- Batches of the log that have these words, of the kitchen that is asked for. Behind a policy no index of words is used: what a word is
-- compared by might tell of rows that are not to be seen.
CREATE FUNCTION logged_with(query tsquery) RETURNS SETOF uuid LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT g.batch_id FROM logged g WHERE g.kitchen_id = asked_kitchen() AND g.words @@ query
$$;

CREATE FUNCTION lessons_with(key text) RETURNS SETOF uuid LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT l.batch_id FROM lesson l WHERE l.kitchen_id = asked_kitchen() AND l.body -> 'keys' @> to_jsonb(key)
$$;

-- Which kitchens there are, for what is done for each of them by itself: their ids, and no more; the first there was before the others.
CREATE FUNCTION kitchen_ids() RETURNS SETOF text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT k.id FROM kitchen k
  ORDER BY (SELECT min(v.made_at) FROM kitchen_version v WHERE v.kitchen_id = k.id), k.id
$$;
CREATE FUNCTION kitchens_to_log() RETURNS SETOF text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT k.id FROM kitchen k
  WHERE EXISTS (SELECT 1 FROM to_log t WHERE t.kitchen_id = k.id)
    OR EXISTS (SELECT 1 FROM learned l WHERE l.kitchen_id = k.id AND l.anew) ORDER BY 1
$$;

-- What is told says of which kitchen it is, so that it is told to no other.
CREATE OR REPLACE FUNCTION tell_event() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  whole text := json_strip_nulls(json_build_object(
    'kitchen', NEW.kitchen_id,
    'batch', NEW.batch_id, 'seq', NEW.seq, 'id', NEW.id, 'station', NEW.station, 'clockMs', NEW.clock_ms,
    'at', to_char(NEW.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
    'receivedAt', to_char(NEW.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')))::text;
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  -- The body may hold a null that means something: only what is open about the line itself is left out.
  whole := rtrim(whole, '}') || ',"body":' || NEW.body::text || '}';
  IF octet_length(whole) > 7900 THEN
    whole := json_build_object('kitchen', NEW.kitchen_id, 'batch', NEW.batch_id, 'seq', NEW.seq)::text;
  END IF;
  PERFORM pg_notify('panache', whole);
  RETURN NULL;
END $$;
CREATE OR REPLACE FUNCTION tell_batch() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  PERFORM pg_notify('panache', json_build_object('kitchen', NEW.kitchen_id, 'batch', NEW.id, 'seq', 0)::text);
  RETURN NULL;
END $$;
CREATE OR REPLACE FUNCTION tell_service() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  PERFORM pg_notify('panache', json_build_object('kitchen', NEW.kitchen_id, 'service', NEW.id, 'revision', NEW.revision)::text);
  RETURN NULL;
END $$;
CREATE OR REPLACE FUNCTION tell_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  PERFORM pg_notify('panache', json_build_object('kitchen', NEW.kitchen_id, 'keep', coalesce(NEW.lot_id::text, 'kitchen'),
    'seq', NEW.seq)::text);
  RETURN NULL;
END $$;

-- A month put away is away for each kitchen: it stands in the chain of all.
ALTER TABLE seal DROP CONSTRAINT seal_source_id_key;
ALTER TABLE seal ADD CONSTRAINT seal_source_id_key UNIQUE (source, id, kitchen_id);
-- Of those there were then: one that came later had no line in it.
ALTER TABLE event_part_moved ADD COLUMN kitchens text[] NOT NULL DEFAULT '{}';
ALTER TABLE event_part_moved DISABLE TRIGGER event_part_moved_append_only;
UPDATE event_part_moved SET kitchens = ARRAY(SELECT min(id) FROM kitchen);
ALTER TABLE event_part_moved ENABLE TRIGGER event_part_moved_append_only;
ALTER TABLE event_part_moved ALTER COLUMN kitchens DROP DEFAULT;

-- Views see what whoever reads them may see.
CREATE OR REPLACE VIEW to_seal WITH (security_invoker = true) AS
  SELECT b.kitchen_id, 'batch' AS source, b.id, 0::bigint AS seq, b.received_at, b.started_at AS at,
    jsonb_build_object('id', b.id, 'kitchen', b.kitchen_id, 'recipe', b.recipe_id, 'version', b.recipe_version,
      'plan', b.plan,
      'started', to_char(b.started_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'serve', to_char(b.serve_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(b.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'))
      || CASE WHEN b.via IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('via', b.via) END AS row
  FROM batch b
  UNION ALL
  SELECT e.kitchen_id, 'batch_event', e.id, e.seq, e.received_at, e.at, event_row(e)
  FROM batch_event e
  UNION ALL
  SELECT e.kitchen_id, 'keep_event', e.id, e.seq, e.received_at, e.at,
    jsonb_build_object('id', e.id, 'lot', e.lot_id, 'seq', e.seq, 'station', e.station, 'clock', e.clock_ms,
      'at', to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(e.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), 'body', e.body)
      || CASE WHEN e.via IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('via', e.via) END
      || CASE WHEN e.brought THEN jsonb_build_object('brought', true) ELSE '{}'::jsonb END
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
  FROM event_part_moved m JOIN kitchen k ON k.id = ANY(m.kitchens);
ALTER VIEW kept_batch SET (security_invoker = true);
ALTER VIEW kept_version SET (security_invoker = true);

-- As before, for the kitchen that is asked for alone.
CREATE OR REPLACE FUNCTION seal_lines(kitchen text, sources text[], ids uuid[], hashes text[], OUT n bigint, OUT hash text)
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM own_kitchen(kitchen);
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
CREATE OR REPLACE FUNCTION remove_recipe(kitchen text, recipe_name text) RETURNS text
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM own_kitchen(kitchen);
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
CREATE OR REPLACE FUNCTION bring_batch(import uuid, batch uuid, kitchen text, recipe text, version integer, plan jsonb,
  started timestamptz, serve timestamptz, received timestamptz, key jsonb) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM own_kitchen(kitchen);
  INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, brought_by, via)
  VALUES (batch, kitchen, recipe, version, plan, started, serve, received, import, key) ON CONFLICT (id) DO NOTHING;
  RETURN FOUND;
END $$;
CREATE OR REPLACE FUNCTION bring_kept(id uuid, kitchen text, lot uuid, at timestamptz, station text, clock bigint, body jsonb,
  received timestamptz, key jsonb) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM own_kitchen(kitchen);
  IF received > now() + interval '1 day' THEN RETURN false; END IF;
  INSERT INTO keep_event (id, kitchen_id, lot_id, at, station, clock_ms, body, received_at, via, brought)
  VALUES (id, kitchen, lot, at, station, clock, body, received, key, true);
  RETURN FOUND;
END $$;
CREATE OR REPLACE FUNCTION bring_water_test(id uuid, kitchen text, pot text, burner text, made timestamptz, readings jsonb,
  loss double precision, into_pot double precision) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM own_kitchen(kitchen);
  IF made > now() + interval '1 day' THEN RETURN false; END IF;
  INSERT INTO water_test (id, kitchen_id, pot_id, burner_id, made_at, readings, loss_factor, into_pot_w)
  VALUES (id, kitchen, pot, burner, made, readings, loss, into_pot) ON CONFLICT DO NOTHING;
  RETURN FOUND;
END $$;
CREATE OR REPLACE FUNCTION bring_act(id uuid, kitchen text, at timestamptz, station text, body jsonb) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM own_kitchen(kitchen);
  IF at > now() + interval '1 day' THEN RETURN false; END IF;
  INSERT INTO learning_act (id, kitchen_id, at, station, body) VALUES (id, kitchen, at, station, body) ON CONFLICT DO NOTHING;
  RETURN FOUND;
END $$;
CREATE OR REPLACE FUNCTION bring_lines(ids uuid[], batches uuid[], ats timestamptz[], stations text[], bodies jsonb[],
  clocks bigint[], receiveds timestamptz[], keys jsonb[]) RETURNS SETOF uuid
LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
  INSERT INTO batch_event (id, batch_id, at, station, body, clock_ms, received_at, batch_started_at, via)
  SELECT d.id, b.id, d.at, d.station, d.body, d.clock_ms, d.received_at, b.started_at, d.via
  FROM unnest(ids, batches, ats, stations, bodies, clocks, receiveds, keys) WITH ORDINALITY
    AS d(id, batch_id, at, station, body, clock_ms, received_at, via, n)
  JOIN batch b ON b.id = d.batch_id AND b.brought_by IS NOT NULL
    AND (session_user = current_user OR b.kitchen_id = asked_kitchen())
  WHERE d.at - d.received_at <= interval '1 day' AND d.at - b.started_at >= interval '-1 day'
    AND d.received_at <= now() + interval '1 day'
  ORDER BY d.n
  RETURNING id
$$;

REVOKE ALL ON FUNCTION group_figures(timestamptz) FROM PUBLIC;
REVOKE ALL ON FUNCTION group_answers() FROM PUBLIC;
REVOKE ALL ON FUNCTION station_by_key(text) FROM PUBLIC;
REVOKE ALL ON FUNCTION logged_with(tsquery) FROM PUBLIC;
REVOKE ALL ON FUNCTION lessons_with(text) FROM PUBLIC;
REVOKE ALL ON FUNCTION kitchen_ids() FROM PUBLIC;
REVOKE ALL ON FUNCTION kitchens_to_log() FROM PUBLIC;

-- Each table that has rows of kitchens shows and takes those of the one that is asked for. The owner, who keeps the database, sees all.
DO $$
DECLARE
  t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['recipe', 'recipe_version', 'batch', 'batch_event', 'water_test', 'kitchen_version', 'service_version',
    'service', 'seal', 'import', 'imported_version', 'to_log', 'logged', 'lesson', 'learned', 'learning_act', 'station',
    'pairing', 'lead_pin', 'group_member'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format('CREATE POLICY own ON %I USING (kitchen_id = (SELECT asked_kitchen()))', t);
  END LOOP;
  -- What belongs to a kitchen through what it hangs on: that is looked for with the same eyes.
  FOR t IN SELECT unnest(ARRAY['import_undone', 'import_sealed']) LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format('CREATE POLICY own ON %I USING (EXISTS (SELECT 1 FROM import i WHERE i.id = import_id))', t);
  END LOOP;
END $$;
ALTER TABLE kitchen ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON kitchen USING (id = (SELECT asked_kitchen()));
ALTER TABLE lot ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON lot USING (kitchen_id = (SELECT asked_kitchen()))
  WITH CHECK (kitchen_id = (SELECT asked_kitchen()) AND (batch_id IS NULL OR EXISTS (SELECT 1 FROM batch b WHERE b.id = batch_id)));
ALTER TABLE keep_event ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON keep_event USING (kitchen_id = (SELECT asked_kitchen()))
  WITH CHECK (kitchen_id = (SELECT asked_kitchen()) AND (lot_id IS NULL OR EXISTS (SELECT 1 FROM lot l WHERE l.id = lot_id)));
ALTER TABLE imported_batch ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON imported_batch USING (EXISTS (SELECT 1 FROM import i WHERE i.id = import_id))
  WITH CHECK (EXISTS (SELECT 1 FROM import i WHERE i.id = import_id) AND EXISTS (SELECT 1 FROM batch b WHERE b.id = batch_id));
ALTER TABLE lead_session ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON lead_session USING (EXISTS (SELECT 1 FROM station s WHERE s.id = station_id));
ALTER TABLE event_away ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON event_away USING (EXISTS (SELECT 1 FROM batch b WHERE b.id = batch_id));
ALTER TABLE quarantine ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON quarantine USING (EXISTS (SELECT 1 FROM batch b WHERE b.id = batch_id));
ALTER TABLE event_part_moved ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON event_part_moved USING ((SELECT asked_kitchen()) = ANY(kitchens));
ALTER TABLE kitchen_group ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON kitchen_group USING (id = (SELECT asked_group()));
ALTER TABLE published ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON published USING (group_id = (SELECT asked_group()))
  WITH CHECK (group_id = (SELECT asked_group()) AND (SELECT leads_group()));
ALTER TABLE published_answer ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON published_answer USING (kitchen_id = (SELECT asked_kitchen()))
  WITH CHECK (kitchen_id = (SELECT asked_kitchen()) AND EXISTS (SELECT 1 FROM published p WHERE p.id = published_id));
