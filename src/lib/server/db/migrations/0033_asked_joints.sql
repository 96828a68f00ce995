-- What a Check asked of the joints of the goals, and who is present with a minor.
alter table screening add column joints jsonb not null default '[]';
alter table screening add column adult text not null default '';
-- How strong a pain was that was told; null where nobody said.
alter table pain_event add column grade text check (grade in ('mild', 'moderate', 'severe'));
