-- A round may go by days, distance, hours of the engine, or before winter; what is told first becomes due first.
ALTER TABLE round_plan ALTER COLUMN every_days DROP NOT NULL;
ALTER TABLE round_plan ADD COLUMN every_km integer CHECK (every_km BETWEEN 1 AND 1000000);
ALTER TABLE round_plan ADD COLUMN every_hours integer CHECK (every_hours BETWEEN 1 AND 100000);
ALTER TABLE round_plan ADD COLUMN before_winter text CHECK (before_winter ~ '^\d\d-\d\d$');
ALTER TABLE round_plan ADD CHECK (coalesce(every_days, every_km, every_hours) IS NOT NULL OR before_winter IS NOT NULL);

CREATE INDEX vehicle_group ON vehicle (shop_id, lower(group_name));

-- What odometer and hour meter showed.
CREATE TABLE vehicle_use (
  shop_id    text NOT NULL,
  use_id     uuid NOT NULL,
  vehicle_id uuid NOT NULL,
  used_on    date NOT NULL,
  km         integer CHECK (km BETWEEN 0 AND 10000000),
  hours      integer CHECK (hours BETWEEN 0 AND 1000000),
  entered_by text,
  entered_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, use_id),
  FOREIGN KEY (shop_id, vehicle_id) REFERENCES vehicle,
  CHECK (coalesce(km, hours) IS NOT NULL)
);
CREATE INDEX vehicle_merged ON vehicle (shop_id, merged_into) WHERE merged_into IS NOT NULL;
CREATE INDEX vehicle_use_vehicle ON vehicle_use (shop_id, vehicle_id, used_on);
CALL part_by_shop('vehicle_use');
GRANT SELECT, INSERT ON vehicle_use TO tetrad_app;

-- Jobs that are the check of a round: closed at once where the vehicle is clearly sound.
CREATE TABLE round_check (
  shop_id    text NOT NULL,
  job_id     uuid NOT NULL,
  plan_id    uuid,
  is_sound   boolean NOT NULL,
  comment    text,
  checked_by text NOT NULL,
  PRIMARY KEY (shop_id, job_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);
CALL part_by_shop('round_check');
GRANT SELECT, INSERT ON round_check TO tetrad_app;
