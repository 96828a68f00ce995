-- Who of the demo is there already: a fill that was cut short goes on where it was, and nobody who was deleted comes back.
create table demo_person (
  name text primary key
);
