-- The newest judgement of a job whole; of earlier ones what changed. What was said at any time can still be told.
CREATE TABLE judgement_newest (
  shop_id          text NOT NULL,
  job_id           uuid NOT NULL,
  seq              bigint NOT NULL,
  criteria_id      text NOT NULL,
  criteria_version integer NOT NULL,
  core_version     text NOT NULL,
  document         jsonb NOT NULL,
  profile          jsonb NOT NULL,
  PRIMARY KEY (shop_id, job_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);
ALTER TABLE judgement
  ALTER COLUMN document DROP NOT NULL,
  ALTER COLUMN profile DROP NOT NULL,
  ADD COLUMN base bigint,   -- the judgement that this one is told as a change of; null where it is whole
  ADD COLUMN packed bytea,  -- deflated: the whole, or the change; null where document and profile hold it
  ADD COLUMN digest bytea,  -- SHA-256 of the whole, so that what is put together again is known to be right
  ADD CHECK ((packed IS NULL) = (document IS NOT NULL));
ALTER TABLE judgement ALTER COLUMN packed SET STORAGE EXTERNAL; -- compressed already

-- the owner sees every shop for this one statement
ALTER TABLE judgement NO FORCE ROW LEVEL SECURITY;
INSERT INTO judgement_newest
SELECT DISTINCT ON (shop_id, job_id) shop_id, job_id, seq, criteria_id, criteria_version, core_version, document, profile
  FROM judgement ORDER BY shop_id, job_id, seq DESC;
ALTER TABLE judgement FORCE ROW LEVEL SECURITY;

CALL part_by_shop('judgement_newest');
GRANT SELECT, INSERT, UPDATE ON judgement_newest TO tetrad_app;
