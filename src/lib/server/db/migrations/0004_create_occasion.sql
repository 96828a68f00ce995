-- One measuring occasion with its trials. A gap is never negative: past flat it is 0 with a raise under the lead heel.
create table occasion (
  id integer generated always as identity primary key,
  goal_id integer not null references goal (id) on delete cascade,
  taken_on date not null,
  body_state text not null check (body_state in ('cold', 'warm', 'after')),
  note text not null default '',
  created_at timestamptz not null default now(),
  removed_at timestamptz -- taken out as a mistake; can be put back
);
create index occasion_goal_idx on occasion (goal_id, taken_on, id);

create table trial (
  id integer generated always as identity primary key,
  occasion_id integer not null references occasion (id) on delete cascade,
  side text not null check (side in ('left', 'right')),
  mode text not null check (mode in ('passive', 'active')),
  ordinal integer not null check (ordinal between 1 and 5),
  gap_cm numeric(5, 2) not null check (gap_cm between 0 and 150),
  lead_raise_cm numeric(5, 2) not null default 0 check (lead_raise_cm between 0 and 80),
  constraint trial_place_key unique (occasion_id, side, mode, ordinal),
  constraint trial_signed check (gap_cm = 0 or lead_raise_cm = 0)
);
