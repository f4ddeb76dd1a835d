-- A write that is sent again is known by its sender's id: it is done once, and answered as the first time.
CREATE TABLE write (
  shop_id    text NOT NULL,
  write_id   text NOT NULL CHECK (length(write_id) <= 120),
  digest     bytea NOT NULL,  -- SHA-256 of what was asked
  written_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, write_id)
);
CREATE TRIGGER write_append_only BEFORE UPDATE OR DELETE ON write
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CALL part_by_shop('write');
GRANT SELECT, INSERT ON write TO tetrad_app;
