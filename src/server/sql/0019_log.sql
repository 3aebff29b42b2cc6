-- What a house learns of itself stands beside the record, never in it: all of this can be worked out anew from it.

-- Batches whose record went on since they were last logged: finished, taken back, written on.
CREATE TABLE to_log (
  batch_id   uuid PRIMARY KEY,
  kitchen_id text NOT NULL,
  n          bigint GENERATED ALWAYS AS IDENTITY
);
CREATE INDEX to_log_in_order ON to_log (kitchen_id, n);

-- A batch as the log has it, found by its day, its soup and its words. Of a notebook’s there is no batch.
CREATE TABLE logged (
  batch_id   uuid PRIMARY KEY,
  kitchen_id text NOT NULL,
  recipe_id  text NOT NULL,
  started_at timestamptz NOT NULL,
  words      tsvector NOT NULL,
  -- How it came out: first, put right, outside, untested or thrown.
  landed     text NOT NULL,
  body       jsonb NOT NULL
);
CREATE INDEX logged_by_day ON logged (kitchen_id, started_at DESC, batch_id);
CREATE INDEX logged_by_soup ON logged (kitchen_id, recipe_id, started_at DESC, batch_id);
CREATE INDEX logged_by_landing ON logged (kitchen_id, landed, started_at DESC, batch_id);
CREATE INDEX logged_words ON logged USING gin (words);

-- What each batch teaches of the house, in the order it was taken in; with what it did to each number, and how what was
-- foreseen came out. Left out, it teaches nothing.
CREATE TABLE lesson (
  batch_id   uuid PRIMARY KEY,
  kitchen_id text NOT NULL,
  at         timestamptz NOT NULL,
  body       jsonb NOT NULL,
  did        jsonb NOT NULL DEFAULT '{}',
  left_out   boolean NOT NULL DEFAULT false
);
CREATE INDEX lesson_in_order ON lesson (kitchen_id, at, batch_id);
CREATE INDEX lesson_keys ON lesson USING gin ((body -> 'keys'));

-- All a kitchen has learned, and what somebody set or had forgotten by hand.
CREATE TABLE learned (
  kitchen_id text PRIMARY KEY,
  revision   bigint NOT NULL,
  body       jsonb NOT NULL,
  own        jsonb NOT NULL,
  by_hand    jsonb NOT NULL DEFAULT '{"fixed": {}, "forgotten": {}}',
  -- Lessons changed or were left out since: to be gone through again from the first.
  anew       boolean NOT NULL DEFAULT false
);

-- What somebody did about it, and when: it is never changed.
CREATE TABLE learning_act (
  id         uuid PRIMARY KEY,
  kitchen_id text NOT NULL REFERENCES kitchen,
  at         timestamptz NOT NULL DEFAULT now(),
  station    text NOT NULL,
  body       jsonb NOT NULL
);
CREATE TRIGGER learning_act_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON learning_act
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- A batch off the stove that is written on, or comes off it, or back, is to be logged.
CREATE FUNCTION log_batches() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  INSERT INTO to_log (batch_id, kitchen_id)
  SELECT DISTINCT b.id, b.kitchen_id FROM fresh f JOIN batch b ON b.id = f.batch_id
  WHERE b.off_stove_at IS NOT NULL OR f.body ->> 'kind' = 'withdrawn'
  ON CONFLICT (batch_id) DO NOTHING;
  RETURN NULL;
END $$;
-- By its name after batch_event_settles: what that finds is known here.
CREATE TRIGGER batch_event_to_log AFTER INSERT ON batch_event
  REFERENCING NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION log_batches();

INSERT INTO to_log (batch_id, kitchen_id)
SELECT id, kitchen_id FROM kept_batch WHERE off_stove_at IS NOT NULL ORDER BY started_at;
