-- Past jobs of whatever status are judged again from the newest back, a batch at a time.
CREATE INDEX job_by_opening ON job (shop_id, opened_at DESC, job_id DESC);
