-- What an event is checked against, so that writing one need not read the whole plan.
ALTER TABLE batch
  ADD COLUMN steps integer GENERATED ALWAYS AS (jsonb_array_length(plan -> 'steps')) STORED,
  ADD COLUMN rim_mm double precision
    GENERATED ALWAYS AS ((plan #>> '{cooked,vessel,heightMm}')::double precision) STORED,
  ADD COLUMN across_mm double precision
    GENERATED ALWAYS AS ((plan #>> '{cooked,vessel,diameterMm}')::double precision) STORED;

-- Every event goes to whoever listens, whole unless it is too long for a notification.
CREATE FUNCTION tell_event() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  whole text := json_build_object(
    'batch', NEW.batch_id, 'seq', NEW.seq, 'id', NEW.id, 'station', NEW.station, 'body', NEW.body,
    'at', to_char(NEW.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))::text;
BEGIN
  IF octet_length(whole) > 7900 THEN
    whole := json_build_object('batch', NEW.batch_id, 'seq', NEW.seq)::text;
  END IF;
  PERFORM pg_notify('panache', whole);
  RETURN NULL;
END $$;
CREATE TRIGGER batch_event_told AFTER INSERT ON batch_event FOR EACH ROW EXECUTE FUNCTION tell_event();

CREATE FUNCTION tell_batch() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('panache', json_build_object('batch', NEW.id, 'seq', 0)::text);
  RETURN NULL;
END $$;
CREATE TRIGGER batch_told AFTER INSERT ON batch FOR EACH ROW EXECUTE FUNCTION tell_batch();

-- A house funnel with the two liquids it was calibrated with, mm²/s and s; t = a ν + b follows from them.
CREATE TABLE funnel (
  kitchen_id text NOT NULL REFERENCES kitchen,
  id         text NOT NULL,
  name       text NOT NULL,
  orifice_mm double precision NOT NULL CHECK (orifice_mm > 0),
  ml         double precision NOT NULL CHECK (ml > 0),
  thin_nu    double precision NOT NULL,
  thin_s     double precision NOT NULL,
  thick_nu   double precision NOT NULL,
  thick_s    double precision NOT NULL,
  place      integer NOT NULL,
  PRIMARY KEY (kitchen_id, id)
);
