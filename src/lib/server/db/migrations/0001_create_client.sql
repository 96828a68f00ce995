-- The people who train, and how the studio writes its numbers.
create table studio (
  id integer primary key default 1 check (id = 1),
  length_unit text not null default 'cm' check (length_unit in ('cm', 'in')),
  mass_unit text not null default 'kg' check (mass_unit in ('kg', 'lb'))
);
insert into studio (id) values (1);

create table client (
  id integer generated always as identity primary key,
  name text not null check (length(name) between 1 and 120),
  birth_year integer not null check (birth_year between 1900 and 2100),
  level text not null check (level in ('beginner', 'intermediate', 'advanced')),
  contact text not null default '',
  stature_cm numeric(6, 2) not null check (stature_cm between 60 and 260),
  left_leg_cm numeric(6, 2) check (left_leg_cm between 30 and 150),
  right_leg_cm numeric(6, 2) check (right_leg_cm between 30 and 150),
  lower_leg_cm numeric(6, 2) check (lower_leg_cm between 15 and 80),
  hip_to_breastbone_cm numeric(6, 2) check (hip_to_breastbone_cm between 20 and 90),
  body_mass_kg numeric(6, 2) check (body_mass_kg between 15 and 350),
  sessions_per_week integer not null check (sessions_per_week between 1 and 7),
  minutes_per_session integer not null check (minutes_per_session between 5 and 240),
  week_holds jsonb not null default '[]', -- what the body does besides: desk, dance, gym
  home_props text not null default '',
  notes text not null default '',
  created_at timestamptz not null default now(),
  archived_at timestamptz
);
