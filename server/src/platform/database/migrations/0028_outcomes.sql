-- What became of a job after it was signed off: somebody's word, added and never changed; the newest counts.
CREATE TABLE outcome (
  shop_id     text NOT NULL,
  job_id      uuid NOT NULL,
  outcome_id  uuid NOT NULL,
  seq         bigint GENERATED ALWAYS AS IDENTITY,
  complaint   text NOT NULL CHECK (complaint IN ('gone', 'back')),
  cause       text,
  note        text,
  recorded_by text NOT NULL,
  recorded_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, outcome_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);
CALL part_by_shop('outcome');
GRANT SELECT, INSERT ON outcome TO tetrad_app;

-- How probable the judge called what it decided; null where it named no cause.
ALTER TABLE sign_off ADD COLUMN probability double precision;
CREATE INDEX sign_off_when ON sign_off (shop_id, signed_at);
