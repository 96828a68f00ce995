-- A number of a measure can be corrected, taken out and put back by itself; what it was before stays beside it.
alter table trial add column removed_at timestamptz;
create table trial_change (
  id integer generated always as identity primary key,
  trial_id integer not null references trial (id) on delete cascade,
  changed_at timestamptz not null,
  kind text not null check (kind in ('corrected', 'taken out', 'put back')),
  entries jsonb not null, -- before it
  value numeric not null
);
create index trial_change_trial_idx on trial_change (trial_id);
