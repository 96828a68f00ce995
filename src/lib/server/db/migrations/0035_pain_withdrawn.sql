-- A pain that was told in error: it counts no more, and stays with who says so and why. A stop that it opened stays until it is cleared.
alter table pain_event add column withdrawn_at timestamptz;
alter table pain_event add column withdrawn_by text not null default '';
alter table pain_event add column withdrawn_why text not null default '';
