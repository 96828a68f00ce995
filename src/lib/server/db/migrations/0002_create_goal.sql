-- What a client trains for. The target is in the unit of the headline: a signed depth of a split (past flat negative), cm, degrees, minutes.
create table goal (
  id integer generated always as identity primary key,
  client_id integer not null references client (id) on delete cascade,
  kind text not null, -- id in the catalogue of goals
  title text not null default '', -- the name of a goal of one's own
  headline text not null, -- id of the measure that carries the verdict
  lead_side text check (lead_side in ('left', 'right')),
  target numeric(6, 2) check (target between -60 and 250),
  target_reason text not null default '', -- why a target beyond what the hips allow
  target_on date,
  event_name text not null default '',
  stage integer not null default 0 check (stage between 0 and 9),
  demands jsonb, -- as changed for this client; null: those of the catalogue
  created_at timestamptz not null default now(),
  closed_at timestamptz
);
create index goal_client_idx on goal (client_id);
alter table client add column current_goal_id integer references goal (id) on delete set null;
