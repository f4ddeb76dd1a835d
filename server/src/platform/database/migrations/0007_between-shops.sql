-- Between shops: a connection sees and writes the rows of the one shop it works for, and no others, whoever it is:
-- row-level security is forced, so that it holds for the owner of the tables too. The application's own role owns
-- nothing, changes only what may change, and cannot empty a table.

CREATE FUNCTION working_shop() RETURNS text LANGUAGE sql STABLE PARALLEL SAFE AS $$
  SELECT nullif(current_setting('tetrad.shop', true), '')
$$;

CREATE PROCEDURE part_by_shop(relation text) LANGUAGE plpgsql AS $$
BEGIN
  EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', relation);
  EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', relation);
  EXECUTE format('CREATE POLICY own_shop ON %I USING (shop_id = working_shop()) WITH CHECK (shop_id = working_shop())',
                 relation);
END $$;
REVOKE ALL ON PROCEDURE part_by_shop(text) FROM PUBLIC;

DO $$
DECLARE relation text;
BEGIN
  FOREACH relation IN ARRAY ARRAY[
    'shop', 'vehicle', 'job', 'reading', 'reading_void', 'observation', 'observation_taken_back', 'judgement', 'timer',
    'acknowledgement', 'acknowledgement_taken_back', 'sign_off', 'instrument', 'instrument_check',
    'capture', 'capture_piece', 'capture_found'
  ] LOOP
    CALL part_by_shop(relation);
  END LOOP;
END $$;

REVOKE CREATE ON SCHEMA public FROM PUBLIC;
GRANT USAGE ON SCHEMA public TO tetrad_app;
GRANT SELECT, INSERT ON ALL TABLES IN SCHEMA public TO tetrad_app;
GRANT UPDATE ON vehicle, job, timer, instrument TO tetrad_app;
REVOKE INSERT ON migration, shop FROM tetrad_app;
