-- What was likely of a goal as it was foretold on a day, and what later measures said to it.
create table kept_forecast (
  id integer generated always as identity primary key,
  goal_id integer not null references goal (id) on delete cascade,
  side text check (side in ('left', 'right')), -- null: both together
  made_on date not null,
  taken_as text not null, -- measure, side, mode, state, way and support that a later measure must share
  target double precision,
  bands jsonb not null, -- by week, the day it was made at week 0
  prior_share double precision not null check (prior_share between 0 and 1),
  unique nulls not distinct (goal_id, side, made_on)
);

create table forecast_score (
  kept_forecast_id integer not null references kept_forecast (id) on delete cascade,
  occasion_id integer not null references occasion (id) on delete cascade,
  weeks_ahead double precision not null check (weeks_ahead > 0),
  within50 boolean not null,
  within90 boolean not null,
  primary key (kept_forecast_id, occasion_id)
);
create index forecast_score_occasion on forecast_score (occasion_id);
