-- The shop's instruments, and how each did in its daily check.
CREATE TABLE instrument (
  shop_id       text NOT NULL REFERENCES shop,
  instrument_id uuid NOT NULL,
  name          text NOT NULL,
  kind          text NOT NULL,
  uncertainty   jsonb NOT NULL DEFAULT '{}', -- by the unit it reads
  retired       boolean NOT NULL DEFAULT false,
  PRIMARY KEY (shop_id, instrument_id)
);

CREATE TABLE instrument_check (
  shop_id       text NOT NULL,
  instrument_id uuid NOT NULL,
  check_id      uuid NOT NULL,
  seq           bigint GENERATED ALWAYS AS IDENTITY,
  findings      jsonb NOT NULL,
  checked_by    text,
  checked_at    timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, instrument_id, check_id),
  FOREIGN KEY (shop_id, instrument_id) REFERENCES instrument
);
CREATE INDEX instrument_check_newest ON instrument_check (shop_id, instrument_id, seq DESC);
CREATE TRIGGER instrument_check_append_only BEFORE UPDATE OR DELETE ON instrument_check
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
