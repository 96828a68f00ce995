-- What a client trains for. Depth is signed: above the floor positive, past flat negative.
create table goal (
  id integer generated always as identity primary key,
  client_id integer not null references client (id) on delete cascade,
  kind text not null check (kind in ('front_split')),
  lead_side text not null check (lead_side in ('left', 'right')),
  target_depth_cm numeric(5, 2) not null check (target_depth_cm between -40 and 60),
  target_on date,
  event_name text not null default '',
  created_at timestamptz not null default now(),
  closed_at timestamptz
);
create index goal_client_idx on goal (client_id);
