-- The record of batches in parts by the month a line was received in (UTC), so that a year that is over can be put away whole, and
-- what is read, vacuumed and indexed of a day stays as small as it was. A month that has no part is kept by the last one.
ALTER TABLE batch_event RENAME TO batch_event_before;
ALTER TABLE batch_event_before RENAME CONSTRAINT batch_event_pkey TO batch_event_before_pkey;
ALTER INDEX batch_event_in_order RENAME TO batch_event_before_in_order;
ALTER INDEX batch_event_by_time RENAME TO batch_event_before_by_time;
DROP TRIGGER batch_event_told ON batch_event_before;
DROP TRIGGER batch_event_settles ON batch_event_before;
ALTER TRIGGER batch_event_append_only ON batch_event_before RENAME TO append_only;

-- An id stands once in a part (its key) and once in the chain (source, id): two lines of one id are never both sealed.
CREATE TABLE batch_event (
  id               uuid NOT NULL,
  batch_id         uuid NOT NULL REFERENCES batch,
  seq              bigint GENERATED ALWAYS AS IDENTITY,
  at               timestamptz NOT NULL,
  received_at      timestamptz NOT NULL DEFAULT now(),
  station          text NOT NULL,
  body             jsonb NOT NULL,
  clock_ms         bigint,
  batch_started_at timestamptz,
  CONSTRAINT batch_event_clock_ms_check CHECK (abs(clock_ms) <= 2000000000000),
  CONSTRAINT batch_event_of_its_batch FOREIGN KEY (batch_id, batch_started_at) REFERENCES batch (id, started_at)
) PARTITION BY RANGE (received_at);
CREATE INDEX batch_event_in_order ON batch_event (batch_id, seq);
CREATE INDEX batch_event_by_time ON batch_event (at);

-- What parts there are, which moments are theirs, and whether one is put away; those moments stay its own.
CREATE TABLE event_part (
  name text PRIMARY KEY,
  low  timestamptz NOT NULL,
  high timestamptz NOT NULL,
  CHECK (low < high)
);
-- Where a part went, and when it came back: the newest says how it is.
CREATE TABLE event_part_moved (
  part   text NOT NULL REFERENCES event_part,
  n      integer NOT NULL CHECK (n > 0),
  what   text NOT NULL CHECK (what IN ('put away', 'brought back')),
  at     timestamptz NOT NULL DEFAULT now(),
  lines  bigint NOT NULL,
  -- SHA-256 of the file, hex, and what it was called.
  sha256 text NOT NULL,
  file   text NOT NULL,
  PRIMARY KEY (part, n)
);
CREATE TRIGGER event_part_moved_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON event_part_moved
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
-- Lines that are put away: of which batch, in which part. Gone with the part's return.
CREATE TABLE event_away (
  id       uuid PRIMARY KEY,
  batch_id uuid NOT NULL REFERENCES batch,
  part     text NOT NULL REFERENCES event_part
);
CREATE INDEX event_away_of_batch ON event_away (batch_id);

DO $$
DECLARE
  bound timestamptz;
BEGIN
  SELECT substring(pg_get_constraintdef(oid) FROM '''([^'']+)''')::timestamptz INTO STRICT bound
  FROM pg_constraint WHERE conrelid = 'batch_event_before'::regclass AND conname = 'batch_event_before_bound';
  -- The numbers go on where they were.
  PERFORM setval(pg_get_serial_sequence('batch_event', 'seq'),
    nextval(pg_get_serial_sequence('batch_event_before', 'seq')), false);
  ALTER TABLE batch_event_before ALTER COLUMN seq DROP IDENTITY;
  EXECUTE format('ALTER TABLE batch_event ATTACH PARTITION batch_event_before FOR VALUES FROM (MINVALUE) TO (%L)', bound);
  INSERT INTO event_part (name, low, high) VALUES ('batch_event_before', '-infinity', bound);
END $$;
ALTER TABLE batch_event_before DROP CONSTRAINT batch_event_before_bound;

-- A table as a part has to be, without its moments: lines are added and never changed, so they are frozen as they are vacuumed,
-- which the number of new ones brings about, not their share.
CREATE FUNCTION bare_event_part(name text) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
  EXECUTE format('CREATE TABLE %I (LIKE batch_event INCLUDING CONSTRAINTS)', name);
  EXECUTE format('ALTER TABLE %I
    ADD PRIMARY KEY (id),
    ADD FOREIGN KEY (batch_id) REFERENCES batch,
    ADD CONSTRAINT batch_event_of_its_batch FOREIGN KEY (batch_id, batch_started_at) REFERENCES batch (id, started_at),
    ADD CONSTRAINT batch_event_not_ahead CHECK (at - received_at <= interval ''1 day'') NOT VALID,
    ADD CONSTRAINT batch_event_not_before_its_batch CHECK (at - batch_started_at >= interval ''-1 day'') NOT VALID', name);
  EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON %I
    FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting()', name);
  PERFORM tend_event_part(name);
END $$;

CREATE FUNCTION tend_event_part(name text) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
  EXECUTE format('ALTER TABLE %I SET (
    autovacuum_vacuum_insert_threshold = 5000, autovacuum_vacuum_insert_scale_factor = 0,
    autovacuum_analyze_threshold = 5000, autovacuum_analyze_scale_factor = 0,
    autovacuum_freeze_min_age = 0)', name);
END $$;

-- The part of a month, made if nothing has its moments yet, neither a part nor lines. True when it was made.
CREATE FUNCTION make_event_part(month timestamptz) RETURNS boolean LANGUAGE plpgsql AS $$
DECLARE
  first timestamp := date_trunc('month', month AT TIME ZONE 'UTC');
  part text := 'batch_event_' || to_char(first, 'YYYY_MM');
  begins timestamptz := first AT TIME ZONE 'UTC';
  ends timestamptz := (first + interval '1 month') AT TIME ZONE 'UTC';
BEGIN
  IF EXISTS (SELECT 1 FROM event_part WHERE low < ends AND high > begins)
    OR EXISTS (SELECT 1 FROM batch_event_rest WHERE received_at >= begins AND received_at < ends) THEN
    RETURN false;
  END IF;
  PERFORM bare_event_part(part);
  EXECUTE format('ALTER TABLE batch_event ATTACH PARTITION %I FOR VALUES FROM (%L) TO (%L)', part, begins, ends);
  INSERT INTO event_part (name, low, high) VALUES (part, begins, ends);
  RETURN true;
END $$;

SELECT tend_event_part('batch_event_before');
SELECT bare_event_part('batch_event_rest');
ALTER TABLE batch_event ATTACH PARTITION batch_event_rest DEFAULT;

-- As before, but on the whole: each line is told, and what it ends is known at once.
CREATE TRIGGER batch_event_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON batch_event
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
CREATE TRIGGER batch_event_told AFTER INSERT ON batch_event FOR EACH ROW EXECUTE FUNCTION tell_event();
CREATE TRIGGER batch_event_settles AFTER INSERT ON batch_event
  REFERENCING NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION settle_batches();

-- Who might read and add to the table may still, before the roles are looked at again.
DO $$
DECLARE
  g record;
BEGIN
  FOR g IN SELECT grantee, privilege_type FROM information_schema.role_table_grants
    WHERE table_schema = 'public' AND table_name = 'batch_event_before' AND grantee <> current_user
  LOOP
    EXECUTE format('GRANT %s ON batch_event TO %I', g.privilege_type, g.grantee);
    EXECUTE format('GRANT SELECT ON event_away TO %I', g.grantee);
    EXECUTE format('REVOKE ALL ON batch_event_before FROM %I', g.grantee);
  END LOOP;
END $$;

-- A line as it is hashed: every column that says something, moments to the microsecond.
CREATE FUNCTION event_row(e batch_event) RETURNS jsonb LANGUAGE sql STABLE PARALLEL SAFE
  RETURN jsonb_build_object('id', e.id, 'batch', e.batch_id, 'seq', e.seq, 'station', e.station, 'clock', e.clock_ms,
    'at', to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
    'received', to_char(e.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), 'body', e.body);

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
  FROM keep_event e;

-- The first moment a line of a batch can have been received: parts that end before it have none. A day for clocks that were set.
CREATE FUNCTION first_line_of(received timestamptz, started timestamptz) RETURNS timestamptz
  LANGUAGE sql IMMUTABLE PARALLEL SAFE
  RETURN least(received, started) - interval '1 day';

-- As in 0008, but only in the parts that can have lines of these batches.
DROP FUNCTION batch_ends(uuid[]);
CREATE FUNCTION batch_ends(batches uuid[], since timestamptz)
RETURNS TABLE (batch_id uuid, over_at timestamptz, off_stove_at timestamptz) LANGUAGE sql STABLE AS $$
  SELECT i.id,
    max(e.received_at) FILTER (
      WHERE e.body ->> 'kind' = 'cleared' OR e.body ->> 'goesTo' IN ('pass', 'bin')),
    max(e.received_at)
  FROM unnest(batches) AS i(id)
  LEFT JOIN batch_event e ON e.batch_id = i.id AND e.received_at >= since AND e.body ->> 'kind' IN ('cleared', 'finished')
    AND NOT EXISTS (
      SELECT 1 FROM batch_event w WHERE w.batch_id = e.batch_id AND w.received_at >= since
        AND w.body ->> 'kind' = 'withdrawn' AND w.body ->> 'event' = e.id::text)
  GROUP BY i.id
$$;

CREATE OR REPLACE FUNCTION settle_batches() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  moved uuid[] := ARRAY(SELECT DISTINCT batch_id FROM fresh
    WHERE body ->> 'kind' IN ('cleared', 'finished', 'withdrawn') ORDER BY batch_id);
  since timestamptz;
BEGIN
  IF cardinality(moved) = 0 THEN RETURN NULL; END IF;
  -- Held first: whoever ends it at the same moment is seen by what follows.
  PERFORM 1 FROM batch WHERE id = ANY(moved) ORDER BY id FOR NO KEY UPDATE;
  SELECT min(first_line_of(received_at, started_at)) INTO since FROM batch WHERE id = ANY(moved);
  UPDATE batch b SET over_at = s.over_at, off_stove_at = s.off_stove_at
  FROM batch_ends(moved, since) s
  WHERE b.id = s.batch_id AND (b.over_at, b.off_stove_at) IS DISTINCT FROM (s.over_at, s.off_stove_at)
    -- Of a batch whose lines are put away it is known already.
    AND NOT EXISTS (SELECT 1 FROM event_away a WHERE a.batch_id = b.id);
  RETURN NULL;
END $$;

-- What is only ever added to is tended by the number of new lines, too; of a batch, what is written again is its end.
ALTER TABLE seal SET (
  autovacuum_vacuum_insert_threshold = 20000, autovacuum_vacuum_insert_scale_factor = 0,
  autovacuum_analyze_threshold = 20000, autovacuum_analyze_scale_factor = 0,
  autovacuum_freeze_min_age = 0);
ALTER TABLE keep_event SET (
  autovacuum_vacuum_insert_threshold = 5000, autovacuum_vacuum_insert_scale_factor = 0,
  autovacuum_freeze_min_age = 0);
ALTER TABLE batch SET (autovacuum_vacuum_threshold = 500, autovacuum_vacuum_scale_factor = 0.02);
