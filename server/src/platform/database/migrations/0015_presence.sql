-- Who has a job open just now. It is worth nothing after a crash, and is not copied to other hosts.
CREATE UNLOGGED TABLE presence (
  shop_id   text NOT NULL,
  stream_id uuid NOT NULL,
  job_id    uuid NOT NULL,
  name      text NOT NULL,
  kind      text NOT NULL,
  seen_at   timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, stream_id)
);
CREATE INDEX presence_job ON presence (shop_id, job_id);
CALL part_by_shop('presence');
GRANT SELECT, INSERT, UPDATE, DELETE ON presence TO tetrad_app;

-- Told to all processes, so that the other devices of the job hear of it at once.
CREATE FUNCTION notify_presence() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  changed presence := coalesce(NEW, OLD);
BEGIN
  PERFORM pg_notify('tetrad_job',
    json_build_object('shop', changed.shop_id, 'job', changed.job_id, 'isPresence', true)::text);
  RETURN NULL;
END
$$;
CREATE TRIGGER presence_told AFTER INSERT OR DELETE ON presence FOR EACH ROW EXECUTE FUNCTION notify_presence();
