-- Which of its variants an exercise of the week is done in; null: the usual one.
alter table exercise_choice add column variant text check (length(variant) between 1 and 400);
