-- Which database this is, for ever: its pictures lie in a folder of this name, so that no other one takes them for its own.
alter table studio add column key uuid not null default gen_random_uuid();
