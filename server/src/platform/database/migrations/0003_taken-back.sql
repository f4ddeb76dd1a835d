-- An observation taken back: the row stays, with the time; it counts no longer.
CREATE TABLE observation_taken_back (
  shop_id        text NOT NULL,
  job_id         uuid NOT NULL,
  observation_id uuid NOT NULL,
  taken_back_at  timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, observation_id),
  FOREIGN KEY (shop_id, job_id, observation_id) REFERENCES observation
);
CREATE TRIGGER observation_taken_back_append_only BEFORE UPDATE OR DELETE ON observation_taken_back
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
