-- How often the vehicles of a group are checked, and by whom.
CREATE TABLE round_plan (
  shop_id    text NOT NULL,
  plan_id    uuid NOT NULL,
  group_name text NOT NULL,
  every_days integer NOT NULL CHECK (every_days BETWEEN 1 AND 3650),
  assignee   text,
  begun_on   date NOT NULL DEFAULT current_date,
  is_ended   boolean NOT NULL DEFAULT false,
  PRIMARY KEY (shop_id, plan_id)
);
CALL part_by_shop('round_plan');
GRANT SELECT, INSERT ON round_plan TO tetrad_app;
GRANT UPDATE ON round_plan TO tetrad_app;
