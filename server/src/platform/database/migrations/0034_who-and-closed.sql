-- Who signed, by id and kind: names are for reading. Of earlier sign-offs the person is found by the name that was theirs.
ALTER TABLE sign_off ADD COLUMN signer_id uuid;
ALTER TABLE sign_off ADD COLUMN signer_kind text CHECK (signer_kind IN ('person', 'key', 'import'));
ALTER TABLE sign_off DISABLE TRIGGER sign_off_append_only;
ALTER TABLE sign_off NO FORCE ROW LEVEL SECURITY;
ALTER TABLE person NO FORCE ROW LEVEL SECURITY;
ALTER TABLE job NO FORCE ROW LEVEL SECURITY;
UPDATE sign_off s SET signer_id = p.person_id, signer_kind = 'person'
  FROM person p WHERE p.shop_id = s.shop_id AND p.name = s.signed_by AND s.imported_at IS NULL;
UPDATE sign_off SET signer_kind = 'import' WHERE imported_at IS NOT NULL;

-- A sign-off stands until its job is opened again.
CREATE TABLE sign_off_superseded (
  shop_id       text NOT NULL,
  job_id        uuid NOT NULL,
  sign_off_id   uuid NOT NULL,
  superseded_by text,
  superseded_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, sign_off_id),
  FOREIGN KEY (shop_id, job_id, sign_off_id) REFERENCES sign_off
);
CREATE TRIGGER sign_off_superseded_append_only BEFORE UPDATE OR DELETE ON sign_off_superseded
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
INSERT INTO sign_off_superseded (shop_id, job_id, sign_off_id)
SELECT s.shop_id, s.job_id, s.sign_off_id FROM sign_off s JOIN job j USING (shop_id, job_id)
 WHERE j.status = 'open' AND s.imported_at IS NULL;
ALTER TABLE job FORCE ROW LEVEL SECURITY;
ALTER TABLE person FORCE ROW LEVEL SECURITY;
ALTER TABLE sign_off FORCE ROW LEVEL SECURITY;
ALTER TABLE sign_off ENABLE TRIGGER sign_off_append_only;
CALL part_by_shop('sign_off_superseded');
GRANT SELECT, INSERT ON sign_off_superseded TO tetrad_app;

-- Evidence like the rest: added, and never changed.
CREATE TRIGGER outcome_append_only BEFORE UPDATE OR DELETE ON outcome FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER round_check_append_only BEFORE UPDATE OR DELETE ON round_check FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER vehicle_use_append_only BEFORE UPDATE OR DELETE ON vehicle_use FOR EACH ROW EXECUTE FUNCTION refuse_change();
-- Of a version of a limit set nothing changes but when it was put in force.
CREATE FUNCTION refuse_other_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND (NEW.shop_id, NEW.set_id, NEW.version, NEW.document, NEW.reason, NEW.made_by, NEW.made_at)
     IS NOT DISTINCT FROM (OLD.shop_id, OLD.set_id, OLD.version, OLD.document, OLD.reason, OLD.made_by, OLD.made_at) THEN
    RETURN NEW;
  END IF;
  IF TG_OP = 'DELETE' AND OLD.shop_id = current_setting('tetrad.dropped_copy', true) THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION 'a version of a limit set is never changed: add the next one';
END $$;
CREATE TRIGGER criteria_set_append_only BEFORE UPDATE OR DELETE ON criteria_set FOR EACH ROW EXECUTE FUNCTION refuse_other_change();

-- A webhook that came with a copy of its shop sends nothing before somebody here sets it again.
ALTER TABLE webhook ADD COLUMN is_off boolean NOT NULL DEFAULT false;
ALTER TABLE webhook ALTER COLUMN secret SET DEFAULT '';
