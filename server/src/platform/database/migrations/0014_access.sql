-- A key for a phone stays when it has been used, so that the same one is never good again.
ALTER TABLE pairing ADD COLUMN used_at timestamptz;
GRANT UPDATE (used_at) ON pairing TO tetrad_app;

-- What was brought in from a file says so, with who brought it. A sign-off that was brought in is none of this shop.
ALTER TABLE job ADD COLUMN imported_by text, ADD COLUMN imported_at timestamptz;
ALTER TABLE sign_off ADD COLUMN imported_by text, ADD COLUMN imported_at timestamptz;
-- The role of whoever signed, at that time: it says who may reopen the job.
ALTER TABLE sign_off ADD COLUMN signer_role text;

-- Vehicles are read page by page, the newest first.
CREATE INDEX vehicle_created ON vehicle (shop_id, created_at DESC, vehicle_id DESC);

-- Findings of an instrument's check that no table of the trade knows made the list of instruments fail.
ALTER TABLE instrument_check DISABLE TRIGGER instrument_check_append_only;
ALTER TABLE instrument_check NO FORCE ROW LEVEL SECURITY;
UPDATE instrument_check c
   SET findings = (SELECT coalesce(jsonb_object_agg(f.key, f.value), '{}') FROM jsonb_each_text(c.findings) f
                    WHERE (f.key, f.value) IN (VALUES ('meter-leads', 'steady'), ('meter-leads', 'jumping'),
                      ('meter-ac', 'blocks-dc'), ('meter-ac', 'passes-dc'), ('clamp-zero', 'zeroed'), ('clamp-zero', 'drifts')))
 WHERE EXISTS (SELECT 1 FROM jsonb_object_keys(findings) k WHERE k NOT IN ('meter-leads', 'meter-ac', 'clamp-zero'));
ALTER TABLE instrument_check FORCE ROW LEVEL SECURITY;
ALTER TABLE instrument_check ENABLE TRIGGER instrument_check_append_only;

-- What a search of the floor looks through, in lower case once and for all.
ALTER TABLE vehicle ADD COLUMN search text GENERATED ALWAYS AS
  (lower(name || ' ' || coalesce(plate, '') || ' ' || coalesce(vin, ''))) STORED;
ALTER TABLE job ADD COLUMN search text GENERATED ALWAYS AS (lower(coalesce(assignee, ''))) STORED;
