-- The floor is read page by page, by what changed or was opened last.
DROP INDEX job_floor;
CREATE INDEX job_changed ON job (shop_id, status, changed_at DESC, job_id DESC);
CREATE INDEX job_opened ON job (shop_id, status, opened_at DESC, job_id DESC);
