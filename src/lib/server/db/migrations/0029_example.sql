-- An invented person to look at in an empty studio, and the props put on the shelf with them: both go together.
alter table client add column is_example boolean not null default false;
alter table prop add column is_example boolean not null default false;
