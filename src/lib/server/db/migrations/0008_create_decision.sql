-- What was proposed after a session, what the instructor decided, and why they differ.
create table decision (
  id integer generated always as identity primary key,
  goal_id integer not null references goal (id) on delete cascade,
  session_id integer not null references session (id) on delete cascade,
  moment text not null check (moment in ('review', 'resume')),
  exercise_id text not null,
  side text not null check (side in ('left', 'right')),
  proposed_verdict text not null check (proposed_verdict in ('deepen', 'stay', 'ease', 'stop')),
  because jsonb not null,
  verdict text not null check (verdict in ('deepen', 'stay', 'ease', 'stop')),
  dial text check (dial in ('depthCm', 'holdS', 'effortPct', 'reps')),
  from_value numeric(6, 2),
  to_value numeric(6, 2),
  overruled_because text,
  decided_on date not null,
  decided_at timestamptz not null default now(),
  constraint decision_place_key unique (session_id, moment, exercise_id, side),
  constraint decision_overruled_reason check (verdict = proposed_verdict or length(overruled_because) > 0)
);
create index decision_goal_idx on decision (goal_id, decided_on, id);
