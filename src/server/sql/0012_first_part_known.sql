-- And for what was written before. Apart from the bound itself: that holds the table for a moment, this takes as long as there
-- are years, and taps go on meanwhile.
ALTER TABLE batch_event VALIDATE CONSTRAINT batch_event_before_bound;
