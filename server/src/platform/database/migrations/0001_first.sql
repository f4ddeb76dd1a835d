-- The first slice: shops, vehicles, jobs, readings, judgements.
-- Every key begins with the shop, so that an existing engine can partition or shard by it later.

CREATE TABLE shop (
  shop_id    text PRIMARY KEY CHECK (shop_id ~ '^[a-z0-9-]{1,40}$'),
  name       text NOT NULL
);

CREATE TABLE vehicle (
  shop_id    text NOT NULL REFERENCES shop,
  vehicle_id uuid NOT NULL,
  name       text NOT NULL,
  plate      text,
  vin        text,
  year       integer,
  created_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, vehicle_id)
);

CREATE TABLE job (
  shop_id     text NOT NULL,
  job_id      uuid NOT NULL,
  vehicle_id  uuid NOT NULL,
  version     integer NOT NULL DEFAULT 1,
  status      text NOT NULL DEFAULT 'open' CHECK (status IN ('open', 'closed')),
  assignee    text,
  criteria_id text NOT NULL DEFAULT 'balanced',
  system      jsonb NOT NULL,
  complaint   jsonb NOT NULL DEFAULT '{}',
  conditions  jsonb NOT NULL DEFAULT '{}',
  extra       jsonb NOT NULL DEFAULT '{}', -- fields of an imported case that this version does not know
  opened_at   timestamptz NOT NULL DEFAULT now(),
  changed_at  timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id),
  FOREIGN KEY (shop_id, vehicle_id) REFERENCES vehicle
);
CREATE INDEX job_floor ON job (shop_id, status, changed_at DESC);
CREATE INDEX job_vehicle ON job (shop_id, vehicle_id, opened_at);

CREATE TABLE reading (
  shop_id    text NOT NULL,
  job_id     uuid NOT NULL,
  reading_id text NOT NULL,
  seq        bigint GENERATED ALWAYS AS IDENTITY,
  test       text NOT NULL,
  document   jsonb NOT NULL, -- the reading as in the open format
  entered_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, reading_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);

CREATE TABLE reading_void (
  shop_id    text NOT NULL,
  job_id     uuid NOT NULL,
  reading_id text NOT NULL,
  reason     text NOT NULL,
  voided_by  text,
  voided_at  timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, reading_id),
  FOREIGN KEY (shop_id, job_id, reading_id) REFERENCES reading
);

CREATE TABLE observation (
  shop_id        text NOT NULL,
  job_id         uuid NOT NULL,
  observation_id uuid NOT NULL,
  seq            bigint GENERATED ALWAYS AS IDENTITY,
  document       jsonb NOT NULL,
  entered_at     timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, observation_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);

CREATE TABLE judgement (
  shop_id          text NOT NULL,
  job_id           uuid NOT NULL,
  seq              bigint GENERATED ALWAYS AS IDENTITY,
  criteria_id      text NOT NULL,
  criteria_version integer NOT NULL,
  core_version     text NOT NULL,
  document         jsonb NOT NULL,
  profile          jsonb NOT NULL,
  judged_at        timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, seq),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);

-- Evidence is append-only: a correction voids and adds.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only: void and add instead', TG_TABLE_NAME;
END $$;

CREATE TRIGGER reading_append_only BEFORE UPDATE OR DELETE ON reading
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER reading_void_append_only BEFORE UPDATE OR DELETE ON reading_void
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER observation_append_only BEFORE UPDATE OR DELETE ON observation
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER judgement_append_only BEFORE UPDATE OR DELETE ON judgement
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
