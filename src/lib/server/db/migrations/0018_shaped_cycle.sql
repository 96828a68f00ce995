-- A cycle shaped by hand for an exercise of the week, on each side, in place of the school's; and cycles kept under a name.
alter table exercise_choice add column cycles jsonb;

create table named_cycle (
  id integer generated always as identity primary key,
  name text not null unique check (length(name) between 1 and 60),
  cycle jsonb not null
);
