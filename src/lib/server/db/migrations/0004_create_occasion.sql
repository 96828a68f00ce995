-- One measuring occasion with its trials: a day, a state of the body, and the conditions that make it comparable.
create table occasion (
  id integer generated always as identity primary key,
  client_id integer not null references client (id) on delete cascade,
  taken_on date not null,
  body_state text not null check (body_state in ('cold', 'warm', 'after')),
  day_time text not null default '' check (day_time in ('', 'morning', 'midday', 'evening')),
  training text not null default '' check (training in ('', 'before', 'after')),
  measurer text not null default '',
  note text not null default '',
  created_at timestamptz not null default now(),
  removed_at timestamptz -- taken out as a mistake; can be put back
);
create index occasion_client_idx on occasion (client_id, taken_on, id);

-- What was written down, and the value it gives. A split's value is its signed depth.
create table trial (
  id integer generated always as identity primary key,
  occasion_id integer not null references occasion (id) on delete cascade,
  measure_id text not null,
  side text check (side in ('left', 'right')),
  mode text not null check (mode in ('passive', 'active')),
  way text not null,
  support text not null default '', -- prop or help used: another one is another measure
  ordinal integer not null check (ordinal between 1 and 5),
  entries jsonb not null,
  value numeric(7, 2) not null check (value between -100 and 500)
);
create unique index trial_place_key on trial (occasion_id, measure_id, coalesce(side, ''), mode, way, ordinal);
