-- What is kept hot, cooled, stored, frozen and reheated. Its lines are the record; this row says only where it
-- stands by them, so that what is over need not be read again.
-- None of these refers to the kitchen’s row by a key: a save that holds it must not hold a tap.
CREATE TABLE lot (
  id         uuid PRIMARY KEY,
  kitchen_id text NOT NULL,
  -- The batch it came from; its own first lot has the batch's id.
  batch_id   uuid REFERENCES batch,
  opened_at  timestamptz NOT NULL,
  stage      text NOT NULL,
  -- The pot it stands in, while it does.
  vessel_id  text,
  over_at    timestamptz
);
CREATE INDEX lot_living ON lot (kitchen_id) WHERE over_at IS NULL;
CREATE INDEX lot_by_batch ON lot (batch_id);

CREATE TABLE keep_event (
  id          uuid PRIMARY KEY,
  kitchen_id  text NOT NULL,
  -- NULL: of the kitchen itself, such as a probe that was checked.
  lot_id      uuid REFERENCES lot,
  seq         bigint GENERATED ALWAYS AS IDENTITY,
  at          timestamptz NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  station     text NOT NULL,
  clock_ms    bigint CHECK (abs(clock_ms) <= 2000000000000),
  body        jsonb NOT NULL,
  CONSTRAINT keep_event_not_ahead CHECK (at - received_at <= interval '1 day')
);
CREATE INDEX keep_event_in_order ON keep_event (lot_id, seq);
CREATE INDEX keep_event_of_kitchen ON keep_event (kitchen_id, seq) WHERE lot_id IS NULL;
CREATE INDEX keep_event_by_time ON keep_event (kitchen_id, at);
CREATE INDEX batch_event_by_time ON batch_event (at);
CREATE INDEX keep_event_film ON keep_event (kitchen_id, seq) WHERE body ->> 'kind' = 'cooled';

CREATE TRIGGER keep_event_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON keep_event
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

CREATE FUNCTION tell_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  PERFORM pg_notify('panache', json_build_object('keep', coalesce(NEW.lot_id::text, 'kitchen'), 'seq', NEW.seq)::text);
  RETURN NULL;
END $$;
CREATE TRIGGER keep_event_told AFTER INSERT ON keep_event FOR EACH ROW EXECUTE FUNCTION tell_kept();

-- Each line of the record with the hash of the one before: SHA-256 over the canonical form (RFC 8785) of the row,
-- and over that with the link before it. Written in the transaction that writes the row.
CREATE TABLE seal (
  kitchen_id text NOT NULL,
  n          bigint NOT NULL CHECK (n > 0),
  source     text NOT NULL CHECK (source IN ('batch', 'batch_event', 'keep_event')),
  id         uuid NOT NULL,
  row        text NOT NULL,
  hash       text NOT NULL,
  sealed_at  timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (kitchen_id, n),
  UNIQUE (source, id)
);
CREATE TRIGGER seal_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON seal
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- The rows as they are hashed: every column that says something, moments to the microsecond.
CREATE VIEW to_seal AS
  SELECT b.kitchen_id, 'batch' AS source, b.id, 0::bigint AS seq, b.received_at, b.started_at AS at,
    jsonb_build_object('id', b.id, 'kitchen', b.kitchen_id, 'recipe', b.recipe_id, 'version', b.recipe_version,
      'plan', b.plan,
      'started', to_char(b.started_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'serve', to_char(b.serve_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(b.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US')) AS row
  FROM batch b
  UNION ALL
  SELECT b.kitchen_id, 'batch_event', e.id, e.seq, e.received_at, e.at,
    jsonb_build_object('id', e.id, 'batch', e.batch_id, 'seq', e.seq, 'station', e.station, 'clock', e.clock_ms,
      'at', to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(e.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), 'body', e.body)
  FROM batch_event e JOIN batch b ON b.id = e.batch_id
  UNION ALL
  SELECT e.kitchen_id, 'keep_event', e.id, e.seq, e.received_at, e.at,
    jsonb_build_object('id', e.id, 'lot', e.lot_id, 'seq', e.seq, 'station', e.station, 'clock', e.clock_ms,
      'at', to_char(e.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'),
      'received', to_char(e.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), 'body', e.body)
  FROM keep_event e;
