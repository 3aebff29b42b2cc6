-- Who may come in over the network, and as what. Of a key and of a code only the hash is kept.
CREATE TABLE station (
  id         uuid PRIMARY KEY,
  kitchen_id text NOT NULL REFERENCES kitchen,
  name       text NOT NULL CHECK (length(name) BETWEEN 1 AND 40),
  access     text NOT NULL CHECK (access IN ('line', 'lead', 'trainee', 'inspector')),
  -- Whose it is, by role; empty where it is nobody's in particular.
  works_as   text NOT NULL DEFAULT '',
  key_hash   text NOT NULL UNIQUE,
  paired_at  timestamptz NOT NULL DEFAULT now(),
  -- The station that made its code; empty where that was this machine.
  paired_by  text NOT NULL DEFAULT '',
  seen_at    timestamptz NOT NULL DEFAULT now(),
  revoked_at timestamptz
);
CREATE INDEX station_of_kitchen ON station (kitchen_id, paired_at);

-- A code that lets one station in, for a few minutes.
CREATE TABLE pairing (
  id         uuid PRIMARY KEY,
  kitchen_id text NOT NULL REFERENCES kitchen,
  code_hash  text NOT NULL,
  name       text NOT NULL,
  access     text NOT NULL CHECK (access IN ('line', 'lead', 'trainee', 'inspector')),
  works_as   text NOT NULL DEFAULT '',
  made_by    text NOT NULL DEFAULT '',
  expires_at timestamptz NOT NULL,
  wrong      integer NOT NULL DEFAULT 0
);

-- What only a lead may do asks for it: Argon2id. After five wrong ones in a row it waits.
CREATE TABLE lead_pin (
  kitchen_id text PRIMARY KEY REFERENCES kitchen,
  hash       text NOT NULL,
  set_at     timestamptz NOT NULL DEFAULT now(),
  wrong      integer NOT NULL DEFAULT 0,
  wait_until timestamptz NOT NULL DEFAULT '-infinity'
);

-- A station where the PIN was typed is a lead's for a while.
CREATE TABLE lead_session (
  token_hash text PRIMARY KEY,
  station_id uuid NOT NULL REFERENCES station ON DELETE CASCADE,
  until      timestamptz NOT NULL
);

-- By whose key a line was written; null of what was written at the machine itself, and before there were keys. It is part of what is
-- sealed where it is there, so that the hashes of older lines stay as they were.
ALTER TABLE batch ADD COLUMN via jsonb;
ALTER TABLE batch_event ADD COLUMN via jsonb;
ALTER TABLE keep_event ADD COLUMN via jsonb;
-- A line an archive brought, for good; of a batch its own brought_by says it.
ALTER TABLE keep_event ADD COLUMN brought boolean NOT NULL DEFAULT false;

CREATE OR REPLACE FUNCTION event_row(e batch_event) RETURNS jsonb LANGUAGE sql STABLE PARALLEL SAFE
  RETURN jsonb_build_object('id', e.id, 'batch', e.batch_id, 'seq', e.seq, 'station', e.station, 'clock', e.clock_ms,
    'at', to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
    'received', to_char(e.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), 'body', e.body)
    || CASE WHEN e.via IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('via', e.via) END;

DROP TRIGGER batch_append_only ON batch;
CREATE TRIGGER batch_append_only
  BEFORE DELETE OR TRUNCATE
    OR UPDATE OF id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, brought_by, via ON batch
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

CREATE OR REPLACE VIEW to_seal AS
  SELECT b.kitchen_id, 'batch' AS source, b.id, 0::bigint AS seq, b.received_at, b.started_at AS at,
    jsonb_build_object('id', b.id, 'kitchen', b.kitchen_id, 'recipe', b.recipe_id, 'version', b.recipe_version,
      'plan', b.plan,
      'started', to_char(b.started_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'serve', to_char(b.serve_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(b.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'))
      || CASE WHEN b.via IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('via', b.via) END AS row
  FROM batch b
  UNION ALL
  SELECT b.kitchen_id, 'batch_event', e.id, e.seq, e.received_at, e.at, event_row(e)
  FROM batch_event e JOIN batch b ON b.id = e.batch_id
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
  FROM event_part_moved m CROSS JOIN LATERAL (SELECT id FROM kitchen ORDER BY id LIMIT 1) k;

CREATE OR REPLACE VIEW kept_batch AS
  SELECT b.* FROM batch b
  WHERE NOT EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id)
     OR EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id
          AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.import_id));

-- What an archive brings keeps by whose key it was written where it comes from; that it was brought stands beside it.
DROP FUNCTION bring_batch(uuid, uuid, text, text, integer, jsonb, timestamptz, timestamptz, timestamptz);
CREATE FUNCTION bring_batch(import uuid, batch uuid, kitchen text, recipe text, version integer, plan jsonb,
  started timestamptz, serve timestamptz, received timestamptz, key jsonb) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, brought_by, via)
  VALUES (batch, kitchen, recipe, version, plan, started, serve, received, import, key) ON CONFLICT (id) DO NOTHING;
  RETURN FOUND;
END $$;

DROP FUNCTION bring_lines(uuid[], uuid[], timestamptz[], text[], jsonb[], bigint[], timestamptz[]);
CREATE FUNCTION bring_lines(ids uuid[], batches uuid[], ats timestamptz[], stations text[], bodies jsonb[],
  clocks bigint[], receiveds timestamptz[], keys jsonb[]) RETURNS SETOF uuid
LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
  INSERT INTO batch_event (id, batch_id, at, station, body, clock_ms, received_at, batch_started_at, via)
  SELECT d.id, b.id, d.at, d.station, d.body, d.clock_ms, d.received_at, b.started_at, d.via
  FROM unnest(ids, batches, ats, stations, bodies, clocks, receiveds, keys) WITH ORDINALITY
    AS d(id, batch_id, at, station, body, clock_ms, received_at, via, n)
  JOIN batch b ON b.id = d.batch_id AND b.brought_by IS NOT NULL
  WHERE d.at - d.received_at <= interval '1 day' AND d.at - b.started_at >= interval '-1 day'
    AND d.received_at <= now() + interval '1 day'
  ORDER BY d.n
  RETURNING id
$$;

DROP FUNCTION bring_kept(uuid, text, uuid, timestamptz, text, bigint, jsonb, timestamptz);
CREATE FUNCTION bring_kept(id uuid, kitchen text, lot uuid, at timestamptz, station text, clock bigint, body jsonb,
  received timestamptz, key jsonb) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF received > now() + interval '1 day' THEN RETURN false; END IF;
  INSERT INTO keep_event (id, kitchen_id, lot_id, at, station, clock_ms, body, received_at, via, brought)
  VALUES (id, kitchen, lot, at, station, clock, body, received, key, true);
  RETURN FOUND;
END $$;

REVOKE ALL ON FUNCTION bring_batch(uuid, uuid, text, text, integer, jsonb, timestamptz, timestamptz, timestamptz, jsonb) FROM PUBLIC;
REVOKE ALL ON FUNCTION bring_lines(uuid[], uuid[], timestamptz[], text[], jsonb[], bigint[], timestamptz[], jsonb[]) FROM PUBLIC;
REVOKE ALL ON FUNCTION bring_kept(uuid, text, uuid, timestamptz, text, bigint, jsonb, timestamptz, jsonb) FROM PUBLIC;
