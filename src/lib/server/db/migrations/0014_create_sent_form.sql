-- Forms that make a row, by the id the page gave their filling-in: sent again they give the first answer and make no second row.
create table sent_form (
  id uuid primary key,
  answer jsonb,
  sent_at timestamptz not null default now()
);
