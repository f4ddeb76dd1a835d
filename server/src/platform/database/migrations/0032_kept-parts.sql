-- What the judge kept when a job was signed off is stored with it: sums over many jobs need no judgement of theirs.
ALTER TABLE sign_off ADD COLUMN kept jsonb NOT NULL DEFAULT '[]';
ALTER TABLE sign_off DISABLE TRIGGER sign_off_append_only;
ALTER TABLE sign_off NO FORCE ROW LEVEL SECURITY;
ALTER TABLE judgement_newest NO FORCE ROW LEVEL SECURITY;
UPDATE sign_off s
   SET kept = coalesce((SELECT jsonb_agg(jsonb_build_object('part', p.key,
                                 'tests', jsonb_path_query_array(p.value::jsonb, '$.with.readings[*].test')))
                          FROM json_each(g.document->'parts') p WHERE p.value->>'verdict' = 'keep'), '[]')
  FROM judgement_newest g WHERE g.shop_id = s.shop_id AND g.job_id = s.job_id;
ALTER TABLE judgement_newest FORCE ROW LEVEL SECURITY;
ALTER TABLE sign_off FORCE ROW LEVEL SECURITY;
ALTER TABLE sign_off ENABLE TRIGGER sign_off_append_only;
