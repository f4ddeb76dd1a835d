-- A vehicle may belong to a group, and two records of one vehicle become one.
ALTER TABLE vehicle DROP COLUMN search;
ALTER TABLE vehicle ADD COLUMN group_name text;
ALTER TABLE vehicle ADD COLUMN merged_into uuid;
ALTER TABLE vehicle ADD COLUMN search text GENERATED ALWAYS AS
  (lower(name || ' ' || coalesce(plate, '') || ' ' || coalesce(vin, '') || ' ' || coalesce(group_name, ''))) STORED;

-- Jobs that went from one vehicle to another, so that it can be undone.
CREATE TABLE vehicle_move (
  shop_id      text NOT NULL,
  move_id      uuid NOT NULL,
  from_vehicle uuid NOT NULL,
  to_vehicle   uuid NOT NULL,
  jobs         jsonb NOT NULL,
  is_merge     boolean NOT NULL,
  moved_at     timestamptz NOT NULL DEFAULT now(),
  undone_at    timestamptz,
  PRIMARY KEY (shop_id, move_id),
  FOREIGN KEY (shop_id, from_vehicle) REFERENCES vehicle,
  FOREIGN KEY (shop_id, to_vehicle) REFERENCES vehicle
);
CALL part_by_shop('vehicle_move');
GRANT SELECT, INSERT ON vehicle_move TO tetrad_app;
GRANT UPDATE (undone_at) ON vehicle_move TO tetrad_app;
