-- Of the batches there are. Apart from what made the columns: that holds the table for a moment, this takes as long as there are
-- years, and taps go on meanwhile.
UPDATE batch b SET over_at = s.over_at, off_stove_at = s.off_stove_at
FROM batch_ends(ARRAY(SELECT DISTINCT batch_id FROM batch_event WHERE body ->> 'kind' IN ('cleared', 'finished'))) s
WHERE b.id = s.batch_id AND (b.over_at, b.off_stove_at) IS DISTINCT FROM (s.over_at, s.off_stove_at);

CREATE INDEX batch_living ON batch (kitchen_id) WHERE over_at IS NULL;
CREATE INDEX batch_by_start ON batch (kitchen_id, started_at DESC, id);
-- An archive is read by moments as files say them, to the millisecond.
CREATE INDEX batch_in_order ON batch (kitchen_id, date_trunc('milliseconds', started_at AT TIME ZONE 'UTC'), id);
