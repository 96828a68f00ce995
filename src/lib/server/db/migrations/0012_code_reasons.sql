-- Why a limit, a verdict or a note stands is a code with numbers; the sentence is made when it is shown. What was kept as a sentence becomes the
-- code it was made from where that is known, and else is carried along as it was written.
create temporary table limit_source (words text primary key, code text not null);
insert into limit_source values
  ('very mobile joints', 'very mobile'),
  ('under 18', 'under 18'),
  ('60 and over', '60 and over'),
  ('set by the instructor', 'instructor'),
  ('painkillers today', 'painkillers'),
  ('deep ache at the sit-bone when stretching', 'row/attachment_ache'),
  ('deep ache in the groin when stretching', 'row/groin_ache'),
  ('a pause of over two weeks, or an illness', 'row/long_pause'),
  ('artificial hip, cleared for training', 'row/artificial_hip'),
  ('artificial knee, cleared for training', 'row/artificial_knee'),
  ('knee injury or knee pain in the past', 'row/knee_history'),
  ('pinch in front of the hip when folding or opening', 'row/hip_pinch'),
  ('a hard, bony stop with no stretch felt', 'row/bony_stop'),
  ('pregnant and well', 'row/pregnant_well'),
  ('6 weeks to 6 months after birth', 'row/after_birth'),
  ('back pain in the past, settled', 'row/back_history'),
  ('sciatic or nerve-like symptoms in the past', 'row/nerve_history'),
  ('low bone density', 'row/low_bone_density'),
  ('high blood pressure, controlled', 'row/blood_pressure_controlled'),
  ('dizziness, or medicines that make dizzy', 'row/dizziness'),
  ('quinolone antibiotics or a steroid course in the last 3 months', 'row/tendon_medicines'),
  ('a growth spurt, or a heel, knee or sit-bone ache', 'row/growth_spurt'),
  ('no consent to hands-on help', 'row/no_touch'),
  ('not taught press and draw (the two-phase isometric) yet', 'row/untaught'),
  ('first attempt at a deep position', 'row/first_attempt'),
  ('the aim is rehabilitation: range back after injury or surgery, cleared by a clinician', 'row/rehabilitation');

create function pg_temp.limit_from(words text) returns text language sql as $$
  select case
    when words like 'end stop of %' then 'end stop'
    else coalesce((select code from limit_source where limit_source.words = $1), 'kept/' || words)
  end
$$;

create function pg_temp.with_source(list jsonb) returns jsonb language sql as $$
  select coalesce(
    jsonb_agg(case when l ? 'reason' then (l - 'reason') || jsonb_build_object('from', pg_temp.limit_from(l ->> 'reason')) else l end order by n),
    '[]'
  ) from jsonb_array_elements(list) with ordinality as t (l, n)
$$;

update screening set limits = pg_temp.with_source(limits), relaxed = pg_temp.with_source(relaxed);

update session set readiness = jsonb_set(readiness, '{limits}', pg_temp.with_source(readiness -> 'limits'))
 where readiness ? 'limits';

-- Limits inside what was prescribed: "kind" stands before "reason" in the same object, which a stop's does not.
update session
   set prescribed = regexp_replace(prescribed::text, '("kind": "[^"]*"[^{}]*)"reason": "', '\1"from": "kept/', 'g')::jsonb
 where prescribed is not null;

update decision
   set because = (select coalesce(jsonb_agg(jsonb_build_object('code', 'kept', 'text', t) order by n), '[]')
                    from jsonb_array_elements_text(because) with ordinality as x (t, n))
 where jsonb_typeof(because -> 0) = 'string';

drop function pg_temp.with_source(jsonb);
drop function pg_temp.limit_from(text);
drop table limit_source;
