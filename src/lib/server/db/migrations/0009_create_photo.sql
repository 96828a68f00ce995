-- Pictures that a measure was read from. The files lie in the data directory, named by their id; nothing is kept without consent.
create table photo_consent (
  client_id integer primary key references client (id) on delete cascade,
  given_by text not null check (length(given_by) between 2 and 120), -- the client, or who speaks for a minor
  given_on date not null
);

create table photo (
  id uuid primary key, -- made where the picture was taken, so that a repeated send changes nothing
  client_id integer not null references client (id) on delete cascade,
  trial_id integer references trial (id) on delete cascade, -- null until its measure is kept
  measure_id text not null,
  side text check (side in ('left', 'right')),
  mode text not null check (mode in ('passive', 'active')),
  media_type text not null check (media_type in ('image/jpeg', 'image/svg+xml')),
  width_px integer not null check (width_px between 1 and 20000),
  height_px integer not null check (height_px between 1 and 20000),
  size_bytes integer not null check (size_bytes > 0),
  points jsonb not null, -- landmarks, line and block, in picture elements
  taken_on date not null,
  created_at timestamptz not null default now()
);
create index photo_client_idx on photo (client_id, measure_id, taken_on);
create index photo_trial_idx on photo (trial_id);
