-- A mark that is another one as soon as anything has changed that a case is read from: of a person, and (client_id null) of what
-- all people share. A transaction that changes a person holds the row until it ends, so that marks come in the order of the commits.
create table case_mark (
  client_id integer unique nulls not distinct references client (id) on delete cascade,
  mark uuid not null default gen_random_uuid()
);

-- Its argument is the query for whose the changed rows are. Who is deleted with all of that needs no mark.
create function touch_case() returns trigger language plpgsql as $$
begin
  execute format(
    'insert into case_mark (client_id)
     select distinct o.id from (%s) as o (id)
      where o.id is null or exists (select from client c where c.id = o.id)
      order by o.id
     on conflict (client_id) do update set mark = gen_random_uuid()',
    tg_argv[0]
  );
  return null;
end
$$;

do $$
declare
  t record;
begin
  for t in
    select * from (values
      ('studio', 'select null::integer from changed'),
      ('own_exercise', 'select null::integer from changed'),
      ('prop', 'select client_id from changed'),
      ('prop_face', 'select p.client_id from changed x join prop p on p.id = x.prop_id'),
      ('client', 'select id from changed'),
      ('goal', 'select client_id from changed'),
      ('screening', 'select client_id from changed'),
      ('exercise_note', 'select client_id from changed'),
      ('body_lock', 'select client_id from changed'),
      ('pain_event', 'select client_id from changed'),
      ('occasion', 'select client_id from changed'),
      ('trial', 'select o.client_id from changed x join occasion o on o.id = x.occasion_id'),
      ('plan', 'select g.client_id from changed x join goal g on g.id = x.goal_id'),
      ('kept_forecast', 'select g.client_id from changed x join goal g on g.id = x.goal_id'),
      ('exercise_setting', 'select g.client_id from changed x join goal g on g.id = x.goal_id'),
      ('exercise_choice', 'select g.client_id from changed x join goal g on g.id = x.goal_id'),
      ('setting_change', 'select g.client_id from changed x join goal g on g.id = x.goal_id'),
      ('decision', 'select g.client_id from changed x join goal g on g.id = x.goal_id'),
      ('session', 'select g.client_id from changed x join plan p on p.id = x.plan_id join goal g on g.id = p.goal_id'),
      ('set_log', 'select g.client_id from changed x join session s on s.id = x.session_id
                     join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id')
    ) as v (name, owners)
  loop
    execute format('create trigger touch_case_added after insert on %I referencing new table as changed
                    for each statement execute function touch_case(%L)', t.name, t.owners);
    execute format('create trigger touch_case_changed after update on %I referencing new table as changed
                    for each statement execute function touch_case(%L)', t.name, t.owners);
    execute format('create trigger touch_case_gone after delete on %I referencing old table as changed
                    for each statement execute function touch_case(%L)', t.name, t.owners);
  end loop;
end
$$;
