-- Lists of vehicles that were brought in, each with what was there before, so that all of it can be undone.
ALTER TABLE vehicle ADD COLUMN is_removed boolean NOT NULL DEFAULT false;
CREATE TABLE vehicle_import (
  shop_id     text NOT NULL,
  import_id   uuid NOT NULL,
  rows        jsonb NOT NULL,   -- what was told of each row
  before      jsonb NOT NULL,   -- of changed vehicles what they were; of new ones their ids
  imported_at timestamptz NOT NULL DEFAULT now(),
  undone_at   timestamptz,
  PRIMARY KEY (shop_id, import_id)
);
CALL part_by_shop('vehicle_import');
GRANT SELECT, INSERT ON vehicle_import TO tetrad_app;
GRANT UPDATE (undone_at) ON vehicle_import TO tetrad_app;
