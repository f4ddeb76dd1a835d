-- A caution acknowledged by mistake: the acknowledgement stays with its name and time, and counts no longer.
ALTER TABLE acknowledgement ADD COLUMN seq bigint GENERATED ALWAYS AS IDENTITY;
ALTER TABLE acknowledgement DROP CONSTRAINT acknowledgement_pkey;
ALTER TABLE acknowledgement ADD PRIMARY KEY (shop_id, job_id, caution, seq);

CREATE TABLE acknowledgement_taken_back (
  shop_id       text NOT NULL,
  job_id        uuid NOT NULL,
  caution       text NOT NULL,
  seq           bigint NOT NULL,
  taken_back_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, job_id, caution, seq),
  FOREIGN KEY (shop_id, job_id, caution, seq) REFERENCES acknowledgement
);
CREATE TRIGGER acknowledgement_taken_back_append_only BEFORE UPDATE OR DELETE ON acknowledgement_taken_back
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
