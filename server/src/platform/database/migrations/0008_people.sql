-- Who works here, who is signed in, and what was done.

CREATE TABLE person (
  shop_id       text NOT NULL REFERENCES shop,
  person_id     uuid NOT NULL,
  name          text NOT NULL,
  role          text NOT NULL CHECK (role IN ('apprentice', 'technician', 'lead', 'administrator')),
  password_hash text,                            -- argon2id; null where only another way in is open
  pin_hash      text,                            -- argon2id
  must_change   boolean NOT NULL DEFAULT false,  -- a one-time password: it opens nothing but its own change
  active        boolean NOT NULL DEFAULT true,
  created_at    timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, person_id)
);
CREATE UNIQUE INDEX person_name ON person (shop_id, lower(name));

-- A session is found by the hash of its id: who reads the table cannot use it.
CREATE TABLE session (
  shop_id    text NOT NULL,
  id_hash    bytea NOT NULL,
  person_id  uuid NOT NULL,
  data       jsonb NOT NULL,
  address    text,
  begun_at   timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, id_hash),
  FOREIGN KEY (shop_id, person_id) REFERENCES person
);
CREATE INDEX session_person ON session (shop_id, person_id);

-- Wrong passwords and PINs, counted by account, for all processes together.
CREATE TABLE attempt (
  shop_id   text NOT NULL,
  key       text NOT NULL,
  failures  integer NOT NULL,
  failed_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, key)
);

-- A phone is let in to one job by a token that is shown once.
CREATE TABLE pairing (
  shop_id    text NOT NULL,
  token_hash bytea NOT NULL,
  job_id     uuid NOT NULL,
  person_id  uuid NOT NULL,
  expires_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, token_hash),
  FOREIGN KEY (shop_id, job_id) REFERENCES job,
  FOREIGN KEY (shop_id, person_id) REFERENCES person
);

-- The record of acts: each entry holds the hash of the one before it. `entry` is kept as text, exactly as it was hashed.
CREATE TABLE act (
  shop_id  text NOT NULL REFERENCES shop,
  seq      bigint NOT NULL CHECK (seq > 0),
  entry    text NOT NULL,
  previous bytea NOT NULL,
  hash     bytea NOT NULL,
  PRIMARY KEY (shop_id, seq)
);
CREATE TRIGGER act_append_only BEFORE UPDATE OR DELETE ON act
  FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- One entry at a time in a shop, until its transaction ends.
CREATE FUNCTION add_act(entry text) RETURNS void LANGUAGE sql AS $$
  SELECT pg_advisory_xact_lock(hashtextextended('act ' || working_shop(), 0));
  INSERT INTO act (shop_id, seq, entry, previous, hash)
  SELECT working_shop(), coalesce(max.seq, 0) + 1, entry, max.hash,
         sha256(max.hash || convert_to(entry, 'UTF8'))
    FROM (SELECT seq, hash FROM act WHERE shop_id = working_shop()
          UNION ALL SELECT 0, '\x'::bytea
          ORDER BY seq DESC LIMIT 1) max;
$$;

CALL part_by_shop('person');
CALL part_by_shop('session');
CALL part_by_shop('attempt');
CALL part_by_shop('pairing');
CALL part_by_shop('act');
GRANT SELECT, INSERT ON person, session, attempt, pairing, act TO tetrad_app;
GRANT UPDATE ON person, session, attempt TO tetrad_app;
GRANT DELETE ON session, attempt, pairing TO tetrad_app;
