-- What was practiced in the bay, by person. Nothing of it is a job.
CREATE TABLE practice_result (
  shop_id   text NOT NULL,
  result_id uuid NOT NULL,
  person_id uuid NOT NULL,
  called_at timestamptz NOT NULL,
  result    jsonb NOT NULL,
  PRIMARY KEY (shop_id, result_id),
  FOREIGN KEY (shop_id, person_id) REFERENCES person
);
CREATE INDEX practice_result_person ON practice_result (shop_id, person_id, called_at);
CALL part_by_shop('practice_result');
GRANT SELECT, INSERT ON practice_result TO tetrad_app;
