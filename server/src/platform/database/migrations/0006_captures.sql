-- Recorded files of a job, in compressed pieces, and what was found in them.
CREATE TABLE capture (
  shop_id     text NOT NULL,
  capture_id  uuid NOT NULL,
  job_id      uuid NOT NULL,
  name        text NOT NULL,
  bytes       bigint NOT NULL CHECK (bytes > 0),
  added_by    text,
  added_at    timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, capture_id),
  FOREIGN KEY (shop_id, job_id) REFERENCES job
);
CREATE INDEX capture_job ON capture (shop_id, job_id, added_at);
CREATE TRIGGER capture_append_only BEFORE UPDATE OR DELETE ON capture
  FOR EACH ROW EXECUTE FUNCTION refuse_change();

CREATE TABLE capture_piece (
  shop_id    text NOT NULL,
  capture_id uuid NOT NULL,
  number     integer NOT NULL CHECK (number >= 0),
  bytes      integer NOT NULL,       -- of the piece as it was sent
  sha256     bytea NOT NULL,         -- of the piece as it was sent
  packed     bytea NOT NULL,         -- gzip
  PRIMARY KEY (shop_id, capture_id, number),
  FOREIGN KEY (shop_id, capture_id) REFERENCES capture
);
ALTER TABLE capture_piece ALTER COLUMN packed SET STORAGE EXTERNAL; -- compressed already
CREATE TRIGGER capture_piece_append_only BEFORE UPDATE OR DELETE ON capture_piece
  FOR EACH ROW EXECUTE FUNCTION refuse_change();

CREATE TABLE capture_found (
  shop_id    text NOT NULL,
  capture_id uuid NOT NULL,
  seq        bigint GENERATED ALWAYS AS IDENTITY,
  found      jsonb NOT NULL,
  found_at   timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, capture_id, seq),
  FOREIGN KEY (shop_id, capture_id) REFERENCES capture
);
CREATE TRIGGER capture_found_append_only BEFORE UPDATE OR DELETE ON capture_found
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
