-- Lines of batches are kept in parts, one a month. What there is becomes the first part as it stands, no row rewritten: it
-- lies before a month that is to come, which is checked here for what is written from now on. Where nothing is yet, before this month.
DO $$
DECLARE
  month timestamp := date_trunc('month', now() AT TIME ZONE 'UTC');
BEGIN
  IF EXISTS (SELECT 1 FROM batch_event) THEN
    -- A week of room: no line is refused where the month turns before the parts are there.
    month := date_trunc('month', now() AT TIME ZONE 'UTC' + interval '7 days') + interval '1 month';
  END IF;
  EXECUTE format('ALTER TABLE batch_event ADD CONSTRAINT batch_event_before_bound CHECK (received_at < %L) NOT VALID',
    month AT TIME ZONE 'UTC');
END $$;
