-- A service is read and saved whole: one document, panache.service/1, versioned as the kitchen is. The menu
-- cycle of a kitchen is another, panache.cycle/1, under its own id.
CREATE TABLE service_version (
  kitchen_id text NOT NULL REFERENCES kitchen,
  id         text NOT NULL,
  revision   integer NOT NULL CHECK (revision > 0),
  day        date,
  body       jsonb NOT NULL CHECK (body ->> 'format' IN ('panache.service/1', 'panache.cycle/1')),
  made_at    timestamptz NOT NULL DEFAULT now(),
  made_by    text NOT NULL DEFAULT '',
  PRIMARY KEY (kitchen_id, id, revision)
);

CREATE TRIGGER service_version_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON service_version
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewriting();

-- The newest of each, so that a day is read without its history.
CREATE TABLE service (
  kitchen_id text NOT NULL,
  id         text NOT NULL,
  revision   integer NOT NULL,
  day        date,
  archived   boolean NOT NULL DEFAULT false,
  PRIMARY KEY (kitchen_id, id),
  FOREIGN KEY (kitchen_id, id, revision) REFERENCES service_version
);
CREATE INDEX service_by_day ON service (kitchen_id, day) WHERE NOT archived;

CREATE FUNCTION tell_service() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('panache.quiet', true) = 'on' THEN RETURN NULL; END IF;
  PERFORM pg_notify('panache', json_build_object('service', NEW.id, 'revision', NEW.revision)::text);
  RETURN NULL;
END $$;
CREATE TRIGGER service_told AFTER INSERT ON service_version FOR EACH ROW EXECUTE FUNCTION tell_service();
