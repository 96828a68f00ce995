-- What was done. Ids are made by the browser, so that a repeated send changes nothing.
create table set_log (
  id uuid primary key,
  session_id integer not null references session (id) on delete cascade,
  set_index integer not null check (set_index between 0 and 200),
  exercise_id text not null,
  side text check (side in ('left', 'right')),
  planned_s integer not null check (planned_s between 0 and 7200),
  actual_s integer not null check (actual_s between 0 and 14400),
  clean boolean, -- null where it is not asked: the warm-up, the settle
  sensation integer check (sensation between 0 and 10),
  felt text,
  slipped text,
  school_id text not null,
  setting jsonb not null,
  logged_at timestamptz not null default now(),
  constraint set_log_place_key unique (session_id, set_index)
);

create table pain_event (
  id uuid primary key,
  session_id integer not null references session (id) on delete cascade,
  set_index integer not null,
  exercise_id text not null,
  work_side text check (work_side in ('left', 'right')),
  place text not null,
  side text check (side in ('left', 'right')),
  kind text not null,
  told_at timestamptz not null default now()
);

-- A stop: a joint, or a line that rests, until a named person clears it.
create table body_lock (
  id integer generated always as identity primary key,
  client_id integer not null references client (id) on delete cascade,
  pain_event_id uuid references pain_event (id) on delete set null,
  joint text check (joint in ('hip', 'knee', 'ankle', 'back')),
  line text check (line in ('hamstring', 'hip flexor')),
  side text check (side in ('left', 'right')),
  reason text not null,
  opened_on date not null,
  cleared_by text check (length(cleared_by) between 2 and 120),
  cleared_on date,
  clear_note text not null default '',
  constraint body_lock_one_target check ((joint is null) <> (line is null)),
  constraint body_lock_cleared_whole check ((cleared_by is null) = (cleared_on is null))
);
create index body_lock_client_idx on body_lock (client_id);
