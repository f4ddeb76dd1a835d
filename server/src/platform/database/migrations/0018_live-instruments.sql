-- Where an instrument is read live, and where the server may connect to for it at all.
ALTER TABLE instrument ADD COLUMN address text;
ALTER TABLE instrument ADD COLUMN millivolts_per_amp double precision;
ALTER TABLE shop ADD COLUMN instrument_hosts jsonb NOT NULL DEFAULT '[]';
GRANT UPDATE (instrument_hosts) ON shop TO tetrad_app;
