-- The shop's own criteria sets: versions follow one another and are never changed; one is put in force.
CREATE TABLE criteria_set (
  shop_id     text NOT NULL,
  set_id      text NOT NULL,
  version     integer NOT NULL CHECK (version > 0),
  document    jsonb NOT NULL,
  reason      text,
  made_by     text NOT NULL,
  made_at     timestamptz NOT NULL DEFAULT now(),
  in_force_at timestamptz,
  in_force_by text,
  PRIMARY KEY (shop_id, set_id, version)
);
CALL part_by_shop('criteria_set');
GRANT SELECT, INSERT ON criteria_set TO tetrad_app;
GRANT UPDATE (in_force_at, in_force_by) ON criteria_set TO tetrad_app;

-- The set that new jobs begin with.
ALTER TABLE shop ADD COLUMN usual_criteria text NOT NULL DEFAULT 'balanced';
GRANT UPDATE (usual_criteria) ON shop TO tetrad_app;
