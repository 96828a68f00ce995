-- A plan has versions: a new one supersedes the old, which stays readable. Settings move by verdicts, not by plans.
create table plan (
  id integer generated always as identity primary key,
  goal_id integer not null references goal (id) on delete cascade,
  version integer not null check (version >= 1),
  school_id text not null,
  weeks integer not null check (weeks between 1 and 12),
  sessions_per_week integer not null check (sessions_per_week between 1 and 7),
  minutes integer not null check (minutes between 5 and 240),
  start_on date not null,
  created_at timestamptz not null default now(),
  superseded_at timestamptz,
  constraint plan_goal_version_key unique (goal_id, version)
);

create table session (
  id integer generated always as identity primary key,
  plan_id integer not null references plan (id) on delete cascade,
  week integer not null check (week between 1 and 12),
  ordinal integer not null check (ordinal between 1 and 7),
  phase text not null check (phase in ('settle in', 'open', 'own', 'arrive')),
  easy boolean not null,
  light boolean not null,
  retest boolean not null,
  planned_on date not null,
  status text not null default 'planned' check (status in ('planned', 'running', 'done', 'stopped', 'superseded')),
  readiness jsonb, -- the three taps before it, and what they made of it
  prescribed jsonb,
  planned_sets jsonb, -- of the prescribed blocks, by exercise and side: what every verdict reads
  started_at timestamptz,
  ended_at timestamptz,
  constraint session_place_key unique (plan_id, week, ordinal)
);

create table exercise_setting (
  goal_id integer not null references goal (id) on delete cascade,
  exercise_id text not null,
  side text not null check (side in ('left', 'right')),
  setting jsonb not null,
  primary key (goal_id, exercise_id, side)
);
