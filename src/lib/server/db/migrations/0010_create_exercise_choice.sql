-- The shelf holds more than blocks, and a client has one at home; the week's exercises of a goal, what they did for the client,
-- every change of a setting, and exercises of the studio's own.
alter table prop
  add column kind text not null default 'block' check (length(kind) between 1 and 40),
  add column client_id integer references client (id) on delete cascade, -- whose home it stands in; null: the studio's
  add column pull_kg numeric(5, 2) check (pull_kg > 0 and pull_kg <= 100),
  add column mass_kg numeric(6, 2) check (mass_kg > 0 and mass_kg <= 200),
  drop constraint prop_quantity_check,
  add constraint prop_quantity_check check (quantity between 0 and 9999);
update prop set kind = case material when 'felt' then 'cushion' when 'steel' then 'box' else 'block' end;
alter table prop drop column material; -- what a kind is made of is known
alter table prop_face drop constraint prop_face_ordinal_check, drop constraint prop_face_height_cm_check;
alter table prop_face
  add constraint prop_face_ordinal_check check (ordinal between 0 and 29), -- a series of steps
  add constraint prop_face_height_cm_check check (height_cm between 0.1 and 300);

alter table decision drop constraint decision_dial_check;

alter table client
  add column school_id text, -- preferred; null: none
  add column policies jsonb not null default '{}'; -- alignment, hands and time, where they differ from the school's

-- The week's exercises of a goal, in their order, each in one school.
create table exercise_choice (
  goal_id integer not null references goal (id) on delete cascade,
  exercise_id text not null,
  ordinal integer not null,
  school_id text,
  policies jsonb not null default '{}',
  primary key (goal_id, exercise_id)
);

create table setting_change (
  id integer generated always as identity primary key,
  goal_id integer not null references goal (id) on delete cascade,
  exercise_id text not null,
  side text not null check (side in ('left', 'right')),
  dial text not null,
  from_value numeric(8, 2),
  to_value numeric(8, 2) not null,
  changed_at timestamptz not null
);
create index setting_change_place_idx on setting_change (goal_id, exercise_id, side, id);

create table exercise_note (
  client_id integer not null references client (id) on delete cascade,
  exercise_id text not null,
  effect text not null check (effect in ('works', 'nothing', 'worse')),
  note text not null default '',
  noted_on date not null,
  primary key (client_id, exercise_id)
);

create table own_exercise (
  id integer generated always as identity primary key,
  copy_of text, -- the built-in one it was copied from
  exercise jsonb not null,
  created_at timestamptz not null default now(),
  removed_at timestamptz
);
