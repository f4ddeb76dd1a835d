-- A page of the job list, and a search through all of it, read the index alone.
DROP INDEX job_changed;
CREATE INDEX job_changed ON job (shop_id, status, changed_at DESC, job_id DESC) INCLUDE (vehicle_id, assignee, search, opened_at);
