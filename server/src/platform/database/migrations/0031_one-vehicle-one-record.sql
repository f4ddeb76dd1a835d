-- One vehicle is one record that stands in lists: whatever is written to a record that became another is written to that
-- one, at any depth, and a plate or a VIN belongs to one vehicle of the shop.

-- Plates are compared without what is between letters and figures: `YD-104` is `yd 104`.
CREATE FUNCTION plate_key(plate text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT nullif(upper(regexp_replace(plate, '[^[:alnum:]]', '', 'g')), '')
$$;

-- Stored, since of a function of a column row-level security lets no index be used.
ALTER TABLE vehicle
  ADD COLUMN plate_key text GENERATED ALWAYS AS (plate_key(plate)) STORED,
  ADD COLUMN vin_key text GENERATED ALWAYS AS (nullif(upper(vin), '')) STORED;

-- The record that a vehicle has become: itself where it was never merged; null where there is none of that id.
CREATE FUNCTION survivor(shop text, named uuid) RETURNS uuid LANGUAGE plpgsql STABLE PARALLEL SAFE AS $$
DECLARE
  one  uuid := named;
  next uuid;
  seen uuid[] := '{}';
BEGIN
  LOOP
    SELECT merged_into INTO next FROM vehicle WHERE shop_id = shop AND vehicle_id = one;
    IF NOT FOUND OR one = ANY (seen) THEN
      RETURN NULL;
    END IF;
    EXIT WHEN next IS NULL;
    seen := seen || one;
    one := next;
  END LOOP;
  RETURN one;
END $$;

-- All records that have become a vehicle, itself among them.
CREATE FUNCTION merged_records(shop text, named uuid) RETURNS uuid[] LANGUAGE plpgsql STABLE PARALLEL SAFE AS $$
DECLARE
  found  uuid[] := ARRAY[named];
  before uuid[] := found;
  more   uuid[];
BEGIN
  LOOP
    SELECT array_agg(vehicle_id) INTO more FROM vehicle
     WHERE shop_id = shop AND merged_into = ANY (before) AND NOT vehicle_id = ANY (found);
    EXIT WHEN more IS NULL;
    found := found || more;
    before := more;
  END LOOP;
  RETURN found;
END $$;

-- What was brought in before plates were compared may be there twice: such a vehicle is listed, and no other is kept from
-- its plate.
ALTER TABLE vehicle ADD COLUMN is_twin boolean NOT NULL DEFAULT false;
-- What a merge wrote into fields that were empty.
ALTER TABLE vehicle_move ADD COLUMN filled jsonb NOT NULL DEFAULT '{}';

-- What an import wrote: its undoing takes back no more than that. Of earlier ones it follows from what was told.
ALTER TABLE vehicle_import ADD COLUMN wrote jsonb NOT NULL DEFAULT '[]';
ALTER TABLE vehicle_import NO FORCE ROW LEVEL SECURITY;
UPDATE vehicle_import i SET wrote = coalesce((
  SELECT jsonb_agg(jsonb_build_object('vehicle', r.vehicle) ||
                   coalesce((SELECT jsonb_object_agg(c.key, c.value->1) FROM jsonb_each(r.changes) c), '{}'))
    FROM jsonb_to_recordset(i.rows) AS r (what text, vehicle uuid, changes jsonb) WHERE r.what = 'changed'), '[]');
ALTER TABLE vehicle_import FORCE ROW LEVEL SECURITY;

ALTER TABLE vehicle NO FORCE ROW LEVEL SECURITY;
ALTER TABLE job NO FORCE ROW LEVEL SECURITY;
DO $$
DECLARE
  one record;
BEGIN
  -- of records that became each other the one made first stands again
  LOOP
    SELECT v.shop_id, v.vehicle_id INTO one FROM vehicle v
     WHERE v.merged_into IS NOT NULL AND survivor(v.shop_id, v.vehicle_id) IS NULL
     ORDER BY v.created_at, v.vehicle_id LIMIT 1;
    EXIT WHEN NOT FOUND;
    UPDATE vehicle SET merged_into = NULL WHERE shop_id = one.shop_id AND vehicle_id = one.vehicle_id;
  END LOOP;
END $$;
UPDATE job j SET vehicle_id = survivor(j.shop_id, j.vehicle_id), version = version + 1
  FROM vehicle v WHERE v.shop_id = j.shop_id AND v.vehicle_id = j.vehicle_id AND v.merged_into IS NOT NULL;
UPDATE vehicle v SET is_removed = false
 WHERE is_removed AND EXISTS (SELECT FROM job j WHERE j.shop_id = v.shop_id AND j.vehicle_id = v.vehicle_id);
UPDATE vehicle v SET is_twin = true
 WHERE v.merged_into IS NULL AND NOT v.is_removed AND EXISTS (
   SELECT FROM vehicle o
    WHERE o.shop_id = v.shop_id AND o.merged_into IS NULL AND NOT o.is_removed AND o.vehicle_id <> v.vehicle_id
      AND (o.plate_key = v.plate_key OR o.vin_key = v.vin_key)
      AND (o.created_at, o.vehicle_id) < (v.created_at, v.vehicle_id));
ALTER TABLE job FORCE ROW LEVEL SECURITY;
ALTER TABLE vehicle FORCE ROW LEVEL SECURITY;

CREATE UNIQUE INDEX vehicle_plate ON vehicle (shop_id, plate_key)
  WHERE merged_into IS NULL AND NOT is_removed AND NOT is_twin;
CREATE UNIQUE INDEX vehicle_vin ON vehicle (shop_id, vin_key)
  WHERE merged_into IS NULL AND NOT is_removed AND NOT is_twin;

-- A record never becomes itself by way of others. Of an archive, whose rows come one by one, the last of a circle stands.
CREATE FUNCTION refuse_circle() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.merged_into IS NULL OR NEW.vehicle_id NOT IN (
       WITH RECURSIVE chain AS (
         SELECT NEW.merged_into AS vehicle_id
         UNION
         SELECT v.merged_into FROM chain c JOIN vehicle v ON v.shop_id = NEW.shop_id AND v.vehicle_id = c.vehicle_id
          WHERE v.merged_into IS NOT NULL)
       SELECT vehicle_id FROM chain) THEN
    RETURN NEW;
  END IF;
  IF TG_OP = 'INSERT' THEN
    NEW.merged_into := NULL;
    RETURN NEW;
  END IF;
  RAISE EXCEPTION 'the vehicle % has become % already', NEW.merged_into, NEW.vehicle_id;
END $$;
CREATE TRIGGER vehicle_no_circle BEFORE INSERT OR UPDATE OF merged_into ON vehicle
  FOR EACH ROW EXECUTE FUNCTION refuse_circle();

-- Of an archive that was written before, a plate may come twice.
CREATE FUNCTION mark_twin() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.is_twin := EXISTS (
    SELECT FROM vehicle o
     WHERE o.shop_id = NEW.shop_id AND o.merged_into IS NULL AND NOT o.is_removed AND NOT o.is_twin
       AND (o.plate_key = plate_key(NEW.plate) OR o.vin_key = upper(NEW.vin)));
  RETURN NEW;
END $$;
CREATE TRIGGER vehicle_mark_twin BEFORE INSERT ON vehicle FOR EACH ROW
  WHEN (current_setting('tetrad.archive', true) = 'in' AND NEW.merged_into IS NULL AND NOT NEW.is_removed)
  EXECUTE FUNCTION mark_twin();

-- Another plate or VIN is its own again.
CREATE FUNCTION end_twin() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.is_twin := false;
  RETURN NEW;
END $$;
CREATE TRIGGER vehicle_end_twin BEFORE UPDATE OF plate, vin ON vehicle FOR EACH ROW
  WHEN (OLD.is_twin AND (plate_key(OLD.plate), upper(OLD.vin)) IS DISTINCT FROM (plate_key(NEW.plate), upper(NEW.vin)))
  EXECUTE FUNCTION end_twin();

-- What is written to a vehicle is written to the one it has become, which is held until the transaction ends, so that
-- nobody merges or removes it meanwhile; one that was removed stands again.
CREATE FUNCTION write_to_survivor() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  one  uuid;
  gone boolean;
BEGIN
  LOOP
    one := survivor(NEW.shop_id, NEW.vehicle_id);
    EXIT WHEN one IS NULL; -- none of that id: the foreign key says so
    SELECT is_removed INTO gone FROM vehicle
     WHERE shop_id = NEW.shop_id AND vehicle_id = one AND merged_into IS NULL FOR NO KEY UPDATE;
    IF FOUND THEN
      IF gone THEN
        UPDATE vehicle SET is_removed = false WHERE shop_id = NEW.shop_id AND vehicle_id = one;
      END IF;
      NEW.vehicle_id := one;
      EXIT;
    END IF;
  END LOOP;
  RETURN NEW;
END $$;
CREATE TRIGGER job_of_survivor BEFORE INSERT OR UPDATE OF vehicle_id ON job
  FOR EACH ROW EXECUTE FUNCTION write_to_survivor();
CREATE TRIGGER use_of_survivor BEFORE INSERT ON vehicle_use
  FOR EACH ROW EXECUTE FUNCTION write_to_survivor();
