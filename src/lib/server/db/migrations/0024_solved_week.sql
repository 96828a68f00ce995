-- A plan up to a year long; versions that go on from each other are one line; what is wished of its weeks; what a version changed.
alter table plan drop constraint plan_weeks_check;
alter table plan add constraint plan_weeks_check check (weeks between 1 and 52);
alter table session drop constraint session_week_check;
alter table session add constraint session_week_check check (week between 1 and 52);
alter table plan add column line_id integer references plan (id) on delete cascade; -- the version it goes on from; null: it begins one
alter table plan add column wishes jsonb not null default '{}';
alter table plan add column name text not null default '';
alter table plan add column changed jsonb not null default '[]';
-- How much of each exercise a session holds; null in those planned before weeks were solved.
alter table session add column allotment jsonb;
