-- What the gate stands on: stops of more joints and lines, of one exercise, of the whole person; pain told at any time; decisions
-- on it; the reason a wait was passed over; since when a stage is in work; the day of birth.
alter table body_lock
  add column exercise_id text,
  add column whole_person boolean not null default false,
  drop constraint body_lock_one_target,
  drop constraint body_lock_joint_check,
  drop constraint body_lock_line_check;
alter table body_lock
  add constraint body_lock_joint_check
    check (joint in ('neck', 'shoulder', 'elbow', 'wrist', 'back', 'hip', 'knee', 'ankle')),
  add constraint body_lock_line_check
    check (line in ('hamstring', 'hip flexor', 'inner thigh', 'outer hip', 'calf', 'forearm')),
  add constraint body_lock_one_target check (num_nonnulls(joint, line, exercise_id) + whole_person::integer = 1);

alter table pain_event
  alter column session_id drop not null,
  alter column exercise_id drop not null,
  alter column set_index drop not null,
  add column client_id integer references client (id) on delete cascade,
  add column felt_on date,
  add column note text not null default '';
update pain_event e
   set client_id = g.client_id, felt_on = e.told_at::date
  from session s join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id
 where s.id = e.session_id;
alter table pain_event
  alter column client_id set not null,
  alter column felt_on set not null;
create index pain_event_client_idx on pain_event (client_id, felt_on, told_at);

alter table decision drop constraint decision_moment_check;
alter table decision add constraint decision_moment_check check (moment in ('review', 'resume', 'afterwards'));

alter table setting_change add column reason text not null default ''; -- why a wait was passed over

alter table goal add column stage_on date; -- since when the stage is in work; null: since it was set
alter table client add column birth_date date; -- null: the year alone is known
