-- A shop may be kept by another cluster: then no connection works for it here any more.
CREATE TABLE shop_closed (
  shop_id   text PRIMARY KEY,
  closed_at timestamptz NOT NULL DEFAULT now()
);
CALL part_by_shop('shop_closed');
GRANT SELECT ON shop_closed TO tetrad_app;

-- In the first cluster: which one keeps a shop. One that is not named is kept here.
CREATE TABLE shop_home (
  shop_id  text PRIMARY KEY,
  cluster  text NOT NULL,
  moved_at timestamptz NOT NULL DEFAULT now()
);
CALL part_by_shop('shop_home');
GRANT SELECT ON shop_home TO tetrad_app;

CREATE FUNCTION home_of(shop text) RETURNS text LANGUAGE plpgsql AS $$
DECLARE
  before text := coalesce(current_setting('tetrad.shop', true), '');
  found  text;
BEGIN
  PERFORM set_config('tetrad.shop', shop, true);
  SELECT cluster INTO found FROM shop_home WHERE shop_id = working_shop();
  PERFORM set_config('tetrad.shop', before, true);
  RETURN found;
END $$;

CREATE FUNCTION shop_lock(shop text) RETURNS bigint LANGUAGE sql IMMUTABLE AS $$
  SELECT hashtextextended('works for shop ' || shop, 0)
$$;

-- From now on the connection works for a shop. Whoever moves the shop finds such connections by the lock they hold: it is
-- taken before it is looked whether the shop is closed, so that none slips through between the two.
CREATE FUNCTION open_shop(shop text) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  before text := coalesce(current_setting('tetrad.shop', true), '');
BEGIN
  IF before <> '' THEN
    PERFORM pg_advisory_unlock_shared(shop_lock(before));
  END IF;
  PERFORM set_config('tetrad.shop', shop, false);
  IF shop = '' THEN
    RETURN;
  END IF;
  PERFORM pg_advisory_lock_shared(shop_lock(shop));
  IF EXISTS (SELECT FROM shop_closed WHERE shop_id = working_shop()) THEN
    PERFORM pg_advisory_unlock_shared(shop_lock(shop));
    RAISE EXCEPTION 'the shop % is kept elsewhere, or is being moved', shop USING ERRCODE = 'TS001';
  END IF;
END $$;

-- Evidence is removed in one case alone: what a cluster still has of a shop that another keeps, by the tables' owner, who
-- says which shop it is. The application's role may delete no evidence at all.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND OLD.shop_id = current_setting('tetrad.dropped_copy', true) THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION '% is append-only: void and add instead', TG_TABLE_NAME;
END $$;
