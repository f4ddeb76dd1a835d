-- A person whom the shop's own accounts (OpenID Connect) let in: known by an e-mail address that the issuer has verified,
-- and from the first time on by the issuer's own name for them, which is never given to somebody else.
ALTER TABLE person
  ADD COLUMN email   text CHECK (email = lower(email)),
  ADD COLUMN subject text;
CREATE UNIQUE INDEX person_email ON person (shop_id, email);
