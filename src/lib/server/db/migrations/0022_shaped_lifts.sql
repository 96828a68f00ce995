-- Lifts shaped by hand for an exercise of the week, on each side; null: as its school does them.
alter table exercise_choice add column lifts jsonb;
