-- Timers, acknowledged cautions, sign-off, the pass after a repair; every change of a job is told.

ALTER TABLE job ADD COLUMN pass text NOT NULL DEFAULT 'before' CHECK (pass IN ('before', 'after'));
-- Counts everything stored of a job, so that the newer of two views can be told.
ALTER TABLE job ADD COLUMN revision bigint NOT NULL DEFAULT 1;

-- Where a wait or a count stands. No evidence: a timer may be stopped.
CREATE TABLE timer (
  shop_id    text NOT NULL,
  job_id     uuid NOT NULL,
  timer_id   uuid NOT NULL,
  kind       text NOT NULL,
  seconds    integer NOT NULL CHECK (seconds > 0),
  started_at timestamptz NOT NULL,
  stopped_at timestamptz,
  PRIMARY KEY (shop_id, job_id, timer_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);
CREATE INDEX timer_running ON timer (shop_id, job_id) WHERE stopped_at IS NULL;

CREATE TABLE acknowledgement (
  shop_id         text NOT NULL,
  job_id          uuid NOT NULL,
  caution         text NOT NULL,
  acknowledged_by text NOT NULL,
  acknowledged_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, caution),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);
CREATE TRIGGER acknowledgement_append_only BEFORE UPDATE OR DELETE ON acknowledgement
  FOR EACH ROW EXECUTE FUNCTION refuse_change();

CREATE TABLE sign_off (
  shop_id      text NOT NULL,
  job_id       uuid NOT NULL,
  sign_off_id  uuid NOT NULL,
  seq          bigint GENERATED ALWAYS AS IDENTITY,
  signed_by    text NOT NULL,
  action       text NOT NULL,
  part         text,
  reason       text,
  conclusion   text NOT NULL,
  parts_fitted jsonb NOT NULL DEFAULT '[]',
  comment      text,
  solved       boolean,
  judged       jsonb, -- the judge's decision at that time: both are kept
  signed_at    timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, sign_off_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);
CREATE TRIGGER sign_off_append_only BEFORE UPDATE OR DELETE ON sign_off
  FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- Every write of a job raises its revision, and so every write is told, once a transaction.
CREATE FUNCTION tell_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('tetrad_job', json_build_object('shop', NEW.shop_id, 'job', NEW.job_id)::text);
  RETURN NULL;
END $$;
CREATE TRIGGER job_told AFTER INSERT OR UPDATE ON job FOR EACH ROW EXECUTE FUNCTION tell_job();
