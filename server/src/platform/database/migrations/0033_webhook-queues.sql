-- Each webhook has a queue of its own: whoever sends for one holds it, and no other waits for its receiver.
ALTER TABLE webhook ADD COLUMN busy_until timestamptz;
-- When it is looked which vehicles became due.
ALTER TABLE wakeup ADD COLUMN rounds_at timestamptz NOT NULL DEFAULT now();
CREATE INDEX webhook_delivery_ended ON webhook_delivery (shop_id, created_at) WHERE delivered_at IS NOT NULL OR gave_up_at IS NOT NULL;
GRANT DELETE ON webhook_delivery TO tetrad_app;

CREATE FUNCTION wake_sender_for_rounds() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO wakeup (wakes, at, rounds_at) VALUES (NEW.shop_id, now(), now())
  ON CONFLICT (wakes) DO UPDATE SET at = least(wakeup.at, excluded.at), rounds_at = least(wakeup.rounds_at, excluded.rounds_at);
  RETURN NULL;
END $$;
DROP TRIGGER wake_sender ON webhook;
CREATE TRIGGER wake_sender AFTER INSERT OR UPDATE OF events, is_removed ON webhook FOR EACH ROW EXECUTE FUNCTION wake_sender_for_rounds();
