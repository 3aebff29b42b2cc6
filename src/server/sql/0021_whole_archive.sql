-- What an archive brings of pots measured and of what somebody set by hand keeps its own day.
CREATE FUNCTION bring_water_test(id uuid, kitchen text, pot text, burner text, made timestamptz, readings jsonb,
  loss double precision, into_pot double precision) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF made > now() + interval '1 day' THEN RETURN false; END IF;
  INSERT INTO water_test (id, kitchen_id, pot_id, burner_id, made_at, readings, loss_factor, into_pot_w)
  VALUES (id, kitchen, pot, burner, made, readings, loss, into_pot) ON CONFLICT DO NOTHING;
  RETURN FOUND;
END $$;

CREATE FUNCTION bring_act(id uuid, kitchen text, at timestamptz, station text, body jsonb) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF at > now() + interval '1 day' THEN RETURN false; END IF;
  INSERT INTO learning_act (id, kitchen_id, at, station, body) VALUES (id, kitchen, at, station, body) ON CONFLICT DO NOTHING;
  RETURN FOUND;
END $$;

CREATE INDEX learning_act_of_batch ON learning_act ((body ->> 'batch'), at) WHERE body ? 'batch';

REVOKE ALL ON FUNCTION bring_water_test(uuid, text, text, text, timestamptz, jsonb, double precision, double precision) FROM PUBLIC;
REVOKE ALL ON FUNCTION bring_act(uuid, text, timestamptz, text, jsonb) FROM PUBLIC;
