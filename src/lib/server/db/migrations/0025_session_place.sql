-- Where a session takes place, when it begins by the clock on the wall, and the one motion it is about; what somebody noted as judgement.
alter table session add column place text not null default 'studio' check (place in ('studio', 'home'));
alter table session add column begins_at text check (begins_at ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$');
alter table session add column theme text;
-- How long what was prescribed took, and its curve: what a plan of a year shows of every session. Null in older ones.
alter table session add column outline jsonb;

create table judgement (
  id integer generated always as identity primary key,
  client_id integer not null references client (id) on delete cascade,
  exercise_id text, -- what it is about; null: the person
  judged_on date not null,
  judgement text not null check (length(judgement) between 1 and 2000),
  removed_at timestamptz -- taken out; can be put back
);
create index judgement_client_idx on judgement (client_id, judged_on);
create index judgement_exercise_idx on judgement (exercise_id) where exercise_id is not null;
