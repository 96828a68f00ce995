-- The studio's shelf. A prop has one height for each face it may stand on.
create table prop (
  id integer generated always as identity primary key,
  name text not null check (length(name) between 1 and 80),
  material text not null check (material in ('cork', 'felt', 'steel')),
  quantity integer not null check (quantity between 0 and 99),
  soft_share numeric(3, 2) not null default 0 check (soft_share >= 0 and soft_share < 1),
  ordinal integer not null default 0,
  removed_at timestamptz -- taken off the shelf; can be put back
);

create table prop_face (
  prop_id integer not null references prop (id) on delete cascade,
  ordinal integer not null check (ordinal between 0 and 5),
  height_cm numeric(6, 2) not null check (height_cm between 0.1 and 150),
  width_cm numeric(6, 2) not null check (width_cm between 0.1 and 250),
  depth_cm numeric(6, 2) not null check (depth_cm between 0.1 and 250),
  carries boolean not null default true,
  primary key (prop_id, ordinal)
);
