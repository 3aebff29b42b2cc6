-- When the server took it, by the server's own clock: what is claimed of time is held against it. Batches kept
-- before this were taken when they started, as far as anybody knows.
ALTER TABLE batch ADD COLUMN received_at timestamptz NOT NULL DEFAULT now();
UPDATE batch SET received_at = started_at;
ALTER TABLE batch
  ADD CONSTRAINT batch_started_near_now
    CHECK (started_at - received_at BETWEEN interval '-1 day' AND interval '1 day') NOT VALID,
  ADD CONSTRAINT batch_served_near_start
    CHECK (serve_at - started_at BETWEEN interval '-1 day' AND interval '7 days') NOT VALID,
  ADD CONSTRAINT batch_and_its_start UNIQUE (id, started_at);

-- What is written down lies within a day of now, and not more than a day before its batch; what a station
-- kept for later comes in with its own time, and the two times together say that it was late.
ALTER TABLE batch_event
  -- How far the station's clock stood from the server's, ms, when it was written; already taken out of `at`.
  ADD COLUMN clock_ms         bigint CHECK (abs(clock_ms) <= 2000000000000),
  ADD COLUMN batch_started_at timestamptz,
  ADD CONSTRAINT batch_event_of_its_batch
    FOREIGN KEY (batch_id, batch_started_at) REFERENCES batch (id, started_at),
  ADD CONSTRAINT batch_event_not_ahead
    CHECK (at - received_at <= interval '1 day') NOT VALID,
  ADD CONSTRAINT batch_event_not_before_its_batch
    CHECK (at - batch_started_at >= interval '-1 day') NOT VALID;

CREATE OR REPLACE FUNCTION tell_event() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  whole text := json_strip_nulls(json_build_object(
    'batch', NEW.batch_id, 'seq', NEW.seq, 'id', NEW.id, 'station', NEW.station, 'clockMs', NEW.clock_ms,
    'at', to_char(NEW.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
    'receivedAt', to_char(NEW.received_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')))::text;
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  -- The body may hold a null that means something: only what is open about the line itself is left out.
  whole := rtrim(whole, '}') || ',"body":' || NEW.body::text || '}';
  IF octet_length(whole) > 7900 THEN
    whole := json_build_object('batch', NEW.batch_id, 'seq', NEW.seq)::text;
  END IF;
  PERFORM pg_notify('panache', whole);
  RETURN NULL;
END $$;

CREATE OR REPLACE FUNCTION tell_batch() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  PERFORM pg_notify('panache', json_build_object('batch', NEW.id, 'seq', 0)::text);
  RETURN NULL;
END $$;

-- The plan and the start of a batch are facts, as its events are.
CREATE TRIGGER batch_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON batch
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
CREATE TRIGGER recipe_version_not_emptied BEFORE TRUNCATE ON recipe_version
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
CREATE TRIGGER water_test_not_emptied BEFORE TRUNCATE ON water_test
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- Every taking in of an archive, with the settings that stood before it, so that one tap goes back. Nothing
-- it brought is thrown away by that: it is only no longer shown.
CREATE TABLE import (
  id             uuid PRIMARY KEY,
  kitchen_id     text NOT NULL REFERENCES kitchen,
  made_at        timestamptz NOT NULL DEFAULT now(),
  taken          jsonb NOT NULL,
  kitchen_before jsonb NOT NULL,
  -- The kitchen's revision right after: another by now means that somebody has changed it since.
  revision_after integer NOT NULL
);
CREATE TABLE import_undone (
  import_id uuid PRIMARY KEY REFERENCES import,
  at        timestamptz NOT NULL DEFAULT now()
);
CREATE TABLE imported_batch (
  import_id uuid NOT NULL REFERENCES import,
  batch_id  uuid NOT NULL REFERENCES batch,
  PRIMARY KEY (batch_id, import_id)
);
CREATE TABLE imported_version (
  import_id  uuid NOT NULL REFERENCES import,
  kitchen_id text NOT NULL,
  recipe_id  text NOT NULL,
  version    integer NOT NULL,
  PRIMARY KEY (kitchen_id, recipe_id, version, import_id),
  FOREIGN KEY (kitchen_id, recipe_id, version) REFERENCES recipe_version
);

-- What counts: made here, or brought by an import that still stands.
CREATE VIEW kept_batch AS
  SELECT b.* FROM batch b
  WHERE NOT EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id)
     OR EXISTS (SELECT 1 FROM imported_batch i WHERE i.batch_id = b.id
          AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.import_id));
CREATE VIEW kept_version AS
  SELECT v.* FROM recipe_version v
  WHERE NOT EXISTS (SELECT 1 FROM imported_version i
          WHERE (i.kitchen_id, i.recipe_id, i.version) = (v.kitchen_id, v.recipe_id, v.version))
     OR EXISTS (SELECT 1 FROM imported_version i
          WHERE (i.kitchen_id, i.recipe_id, i.version) = (v.kitchen_id, v.recipe_id, v.version)
          AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.import_id));

CREATE TRIGGER import_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON import
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
CREATE TRIGGER import_undone_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON import_undone
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();
