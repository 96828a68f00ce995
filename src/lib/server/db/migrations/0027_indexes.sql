-- What a page asks of a person costs the same whatever lies behind them: the next session, the last that ended, pains of a session, goals of one.
create index session_ahead_idx on session (plan_id, week, ordinal, id) where status in ('running', 'planned');
create index session_ended_idx on session (plan_id, started_at desc nulls last, id desc) where status in ('done', 'stopped');
create index pain_event_session_idx on pain_event (session_id);
create index set_log_flat_idx on set_log (session_id)
  where exercise_id = 'front_split_on_stack' and clean and (setting ->> 'depthCm')::numeric <= 0.000000001;
