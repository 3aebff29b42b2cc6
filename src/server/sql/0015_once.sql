-- The id of a line is used once, over all months, for ever, whether the line is here or put away: in one statement, in one archive,
-- and between two that write at the same moment. A line whose id is taken is not written.
CREATE TABLE line_id (id uuid PRIMARY KEY);
INSERT INTO line_id (id)
  SELECT id FROM batch_event UNION SELECT id FROM keep_event UNION SELECT id FROM event_away;

CREATE FUNCTION claim_line() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  INSERT INTO line_id (id) VALUES (NEW.id) ON CONFLICT DO NOTHING;
  IF NOT FOUND THEN RETURN NULL; END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER batch_event_once BEFORE INSERT ON batch_event FOR EACH ROW EXECUTE FUNCTION claim_line();
CREATE TRIGGER keep_event_once BEFORE INSERT ON keep_event FOR EACH ROW EXECUTE FUNCTION claim_line();
CREATE TRIGGER line_id_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON line_id
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- Lines that cannot stand in the record as they are, taken out of it whole: two under one id, from before ids were used once.
CREATE TABLE quarantine (
  n         bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  source    text NOT NULL,
  id        uuid NOT NULL,
  batch_id  uuid NOT NULL,
  found_at  timestamptz NOT NULL DEFAULT now(),
  -- The line as it stood, moments to the microsecond.
  row       jsonb NOT NULL,
  -- The line it was written again as, once somebody had it mended; its own id where it said nothing the one that stands does not.
  mended_as uuid,
  mended_at timestamptz
);

-- What is done once to a database and not looked for again.
CREATE TABLE done_once (
  name text PRIMARY KEY,
  at   timestamptz NOT NULL DEFAULT now()
);
