-- A session as a device keeps it to start it without a connection: what was composed for it, by the digest of its text, so that
-- whatever is composed later, what was played is what is kept.
create table kept_session (
  session_id integer not null references session (id) on delete cascade,
  copy text not null check (copy ~ '^[0-9a-f]{64}$'),
  prescribed jsonb not null,
  kept_at timestamptz not null default now(),
  primary key (session_id, copy)
);
