-- Keys by which a shop's own programs work with it: of a role, with an end.
CREATE TABLE api_key (
  shop_id    text NOT NULL,
  key_id     uuid NOT NULL,
  name       text NOT NULL,
  token_hash bytea NOT NULL,
  role       text NOT NULL,
  created_by text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  revoked_at timestamptz,
  used_at    timestamptz,
  PRIMARY KEY (shop_id, key_id)
);
CREATE UNIQUE INDEX api_key_token ON api_key (shop_id, token_hash);
CALL part_by_shop('api_key');
GRANT SELECT, INSERT ON api_key TO tetrad_app;
GRANT UPDATE (revoked_at, used_at) ON api_key TO tetrad_app;

-- Addresses that are told what happens in the shop.
CREATE TABLE webhook (
  shop_id    text NOT NULL,
  webhook_id uuid NOT NULL,
  url        text NOT NULL,
  events     jsonb NOT NULL,
  secret     text NOT NULL,
  is_removed boolean NOT NULL DEFAULT false,
  created_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, webhook_id)
);
CALL part_by_shop('webhook');
GRANT SELECT, INSERT, UPDATE ON webhook TO tetrad_app;

CREATE TABLE webhook_delivery (
  shop_id      text NOT NULL,
  delivery_id  uuid NOT NULL,
  webhook_id   uuid NOT NULL,
  event        text NOT NULL,
  body         text NOT NULL,
  created_at   timestamptz NOT NULL DEFAULT now(),
  next_at      timestamptz NOT NULL DEFAULT now(),
  attempts     integer NOT NULL DEFAULT 0,
  delivered_at timestamptz,
  gave_up_at   timestamptz,
  answer       text,
  PRIMARY KEY (shop_id, delivery_id),
  FOREIGN KEY (shop_id, webhook_id) REFERENCES webhook
);
CREATE INDEX webhook_delivery_due ON webhook_delivery (shop_id, next_at) WHERE delivered_at IS NULL AND gave_up_at IS NULL;
CREATE INDEX webhook_delivery_newest ON webhook_delivery (shop_id, webhook_id, created_at DESC);
CALL part_by_shop('webhook_delivery');
GRANT SELECT, INSERT, UPDATE ON webhook_delivery TO tetrad_app;

-- Of which vehicles it was told that they are due: each due date once.
CREATE TABLE round_told (
  shop_id    text NOT NULL,
  plan_id    uuid NOT NULL,
  vehicle_id uuid NOT NULL,
  due_on     date NOT NULL,
  PRIMARY KEY (shop_id, plan_id, vehicle_id, due_on)
);
CALL part_by_shop('round_told');
GRANT SELECT, INSERT ON round_told TO tetrad_app;

-- When something is to be sent for which shop: whoever sends looks here, and sees nothing else of a shop that it does not
-- work for.
CREATE TABLE wakeup (
  wakes text PRIMARY KEY,
  at    timestamptz NOT NULL
);
GRANT SELECT, INSERT, UPDATE, DELETE ON wakeup TO tetrad_app;

CREATE FUNCTION wake_sender() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO wakeup (wakes, at) VALUES (NEW.shop_id, now())
  ON CONFLICT (wakes) DO UPDATE SET at = least(wakeup.at, excluded.at);
  RETURN NULL;
END $$;
CREATE TRIGGER wake_sender AFTER INSERT OR UPDATE OF events, is_removed ON webhook FOR EACH ROW EXECUTE FUNCTION wake_sender();
CREATE TRIGGER wake_sender AFTER INSERT ON webhook_delivery FOR EACH ROW EXECUTE FUNCTION wake_sender();
