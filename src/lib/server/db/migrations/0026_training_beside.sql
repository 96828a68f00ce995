-- Beside a session there may be other training before it too, not only after it: one wish with two values. Wishes of plans, and what their versions tell.
update plan set wishes = replace(wishes::text, '"trainingFollows": true', '"training": "before training"')::jsonb
  where wishes::text like '%"trainingFollows"%';
update plan set changed = replace(changed::text, '"trainingFollows": true', '"training": "before training"')::jsonb
  where changed::text like '%"trainingFollows"%';
