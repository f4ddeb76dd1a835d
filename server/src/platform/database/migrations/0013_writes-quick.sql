-- An entry costs the same however long the record is: a function in SQL was planned anew at each call, and looked at
-- all entries of the shop for the newest.
CREATE OR REPLACE FUNCTION add_act(entry text) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  shop CONSTANT text := working_shop();
  newest record;
BEGIN
  -- one entry at a time in a shop, until its transaction ends
  PERFORM pg_advisory_xact_lock(hashtextextended('act ' || shop, 0));
  SELECT seq, hash INTO newest FROM act WHERE shop_id = shop ORDER BY seq DESC LIMIT 1;
  INSERT INTO act (shop_id, seq, entry, previous, hash)
  VALUES (shop, coalesce(newest.seq, 0) + 1, entry, coalesce(newest.hash, '\x'),
          sha256(coalesce(newest.hash, '\x') || convert_to(entry, 'UTF8')));
END
$$;

-- The newest judgement is written and read whole at each change of a job: as text, and by the quicker compression where
-- PostgreSQL has it.
ALTER TABLE judgement_newest
  ALTER COLUMN document TYPE json USING document::text::json,
  ALTER COLUMN profile TYPE json USING profile::text::json;
DO $$
BEGIN
  IF 'lz4' = ANY ((SELECT enumvals FROM pg_settings WHERE name = 'default_toast_compression')::text[]) THEN
    ALTER TABLE judgement_newest ALTER COLUMN document SET COMPRESSION lz4;
  END IF;
END
$$;
