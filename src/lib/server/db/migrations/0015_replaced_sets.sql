-- A set done over replaces the one before it; a late copy of that one must not come back over it.
alter table set_log add column replaced_ids uuid[] not null default '{}';
