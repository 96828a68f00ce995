-- Decisions on what is done with both sides together have no side.
alter table decision alter column side drop not null;
alter table decision drop constraint decision_place_key;
alter table decision add constraint decision_place_key unique nulls not distinct (session_id, moment, exercise_id, side);
