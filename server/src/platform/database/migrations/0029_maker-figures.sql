-- What makers say of engines and models, with its source: the shop's own library.
CREATE TABLE maker_figures (
  shop_id    text NOT NULL,
  figures_id uuid NOT NULL,
  name       text NOT NULL,
  source     text NOT NULL,
  system     jsonb NOT NULL,
  changed_by text NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  is_removed boolean NOT NULL DEFAULT false,
  PRIMARY KEY (shop_id, figures_id)
);
CREATE UNIQUE INDEX maker_figures_name ON maker_figures (shop_id, lower(name)) WHERE NOT is_removed;
CALL part_by_shop('maker_figures');
GRANT SELECT, INSERT, UPDATE ON maker_figures TO tetrad_app;
