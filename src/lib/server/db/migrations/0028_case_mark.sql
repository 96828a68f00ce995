-- A mark that is another one as soon as anything has changed that a case is read from: of a person, and (client_id null) of what
-- all people share. A transaction that changes a person holds the row until it ends, so that marks come in the order of the commits.
create table case_mark (
  client_id integer unique nulls not distinct references client (id) on delete cascade,
  mark uuid not null default gen_random_uuid()
);

-- Who is deleted with all of theirs needs no mark.
create function touch_cases(ids integer[]) returns void language plpgsql as $$
begin
  insert into case_mark (client_id)
  select o.id from unnest(ids) as o (id) where o.id is null or exists (select from client c where c.id = o.id) order by o.id
  on conflict (client_id) do update set mark = gen_random_uuid();
end
$$;

create function touch_studio() returns trigger language plpgsql as $$
begin
  if exists (select from changed) then
    perform touch_cases(array[null::integer]);
  end if;
  return null;
end
$$;

create function touch_client() returns trigger language plpgsql as $$
begin
  perform touch_cases(array(select id from changed));
  return null;
end
$$;

create function touch_of_client() returns trigger language plpgsql as $$
begin
  perform touch_cases(array(select distinct client_id from changed));
  return null;
end
$$;

create function touch_of_prop() returns trigger language plpgsql as $$
begin
  perform touch_cases(array(select distinct p.client_id from changed x join prop p on p.id = x.prop_id));
  return null;
end
$$;

create function touch_of_occasion() returns trigger language plpgsql as $$
begin
  perform touch_cases(array(select distinct o.client_id from changed x join occasion o on o.id = x.occasion_id));
  return null;
end
$$;

create function touch_of_goal() returns trigger language plpgsql as $$
begin
  perform touch_cases(array(select distinct g.client_id from changed x join goal g on g.id = x.goal_id));
  return null;
end
$$;

create function touch_of_plan() returns trigger language plpgsql as $$
begin
  perform touch_cases(array(
    select distinct g.client_id from changed x join plan p on p.id = x.plan_id join goal g on g.id = p.goal_id));
  return null;
end
$$;

create function touch_of_session() returns trigger language plpgsql as $$
begin
  perform touch_cases(array(
    select distinct g.client_id
      from changed x join session s on s.id = x.session_id join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id));
  return null;
end
$$;

do $$
declare
  t record;
begin
  for t in
    select * from (values
      ('studio', 'touch_studio'),
      ('own_exercise', 'touch_studio'),
      ('prop', 'touch_of_client'),
      ('prop_face', 'touch_of_prop'),
      ('client', 'touch_client'),
      ('goal', 'touch_of_client'),
      ('screening', 'touch_of_client'),
      ('exercise_note', 'touch_of_client'),
      ('body_lock', 'touch_of_client'),
      ('pain_event', 'touch_of_client'),
      ('occasion', 'touch_of_client'),
      ('trial', 'touch_of_occasion'),
      ('plan', 'touch_of_goal'),
      ('kept_forecast', 'touch_of_goal'),
      ('exercise_setting', 'touch_of_goal'),
      ('exercise_choice', 'touch_of_goal'),
      ('setting_change', 'touch_of_goal'),
      ('decision', 'touch_of_goal'),
      ('session', 'touch_of_plan'),
      ('set_log', 'touch_of_session')
    ) as v (name, touch)
  loop
    execute format('create trigger touch_case_added after insert on %I referencing new table as changed
                    for each statement execute function %I()', t.name, t.touch);
    execute format('create trigger touch_case_changed after update on %I referencing new table as changed
                    for each statement execute function %I()', t.name, t.touch);
    execute format('create trigger touch_case_gone after delete on %I referencing old table as changed
                    for each statement execute function %I()', t.name, t.touch);
  end loop;
end
$$;
