-- When the battery was fitted that a vehicle came with, as far as somebody knows.
ALTER TABLE vehicle ADD COLUMN battery_fitted_on date;

-- Vehicles of one kind: the same fuel, cylinders and volts. What is measured on one is held against the others.
ALTER TABLE job ADD COLUMN kind text GENERATED ALWAYS AS
  ((system->'engine'->>'fuel') || ' ' || (system->'engine'->>'cylinders') || ' ' || (system->>'nominalVolts')) STORED;
CREATE INDEX job_kind ON job (shop_id, kind, opened_at DESC) WHERE kind IS NOT NULL;
