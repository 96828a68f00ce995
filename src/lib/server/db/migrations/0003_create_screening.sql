-- Each screening stays as it was answered; the newest one counts.
create table screening (
  id integer generated always as identity primary key,
  client_id integer not null references client (id) on delete cascade,
  taken_on date not null,
  version text not null,
  flags jsonb not null,
  sides jsonb not null default '{}', -- side of a row that asks for one
  end_stops jsonb not null default '[]',
  beighton jsonb not null default '[]',
  effort_cap_pct integer not null check (effort_cap_pct between 10 and 80),
  sensation_cap integer not null check (sensation_cap between 1 and 6),
  clearance text not null check (clearance in ('go', 'go with limits', 'clinician first', 'urgent')),
  limits jsonb not null,
  relaxed jsonb not null default '[]', -- limits a named person relaxed, with a note
  cleared_by text check (length(cleared_by) between 2 and 120),
  cleared_on date,
  clear_note text not null default '',
  constraint screening_cleared_whole check ((cleared_by is null) = (cleared_on is null))
);
create index screening_client_idx on screening (client_id, id);

-- A conversation begun and not ended, so that it can be gone on with.
create table screening_draft (
  client_id integer primary key references client (id) on delete cascade,
  answers jsonb not null,
  saved_at timestamptz not null default now()
);
