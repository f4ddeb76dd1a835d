-- A one-time password ends by itself; a session is known by an id that opens nothing; a shop may have the jobs removed
-- from a device on which somebody signs out.
ALTER TABLE person ADD COLUMN password_until timestamptz;
UPDATE person SET password_until = now() + interval '72 hours' WHERE must_change AND password_hash IS NOT NULL;

ALTER TABLE session ADD COLUMN session_id uuid NOT NULL DEFAULT gen_random_uuid();
CREATE UNIQUE INDEX session_named ON session (shop_id, session_id);

ALTER TABLE shop ADD COLUMN forgets_at_sign_out boolean NOT NULL DEFAULT false;
GRANT UPDATE (forgets_at_sign_out) ON shop TO tetrad_app;
