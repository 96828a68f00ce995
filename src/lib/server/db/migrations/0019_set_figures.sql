-- What was seen and said of a set beyond the questions: how many were done, efforts, drop, depth, load, signs; and sets left out, with why.
alter table set_log
  add column figures jsonb not null default '{}',
  add column left_out text;
