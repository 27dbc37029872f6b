-- What stands once the officer in charge has signed: the signature, and each verdict with all it was judged from.
-- Up Migration
create table sign_offs (
  occasion_id uuid primary key references occasions,
  account_id uuid not null references accounts,
  signed_at timestamptz not null default now()
);

create table verdict_snapshots (
  occasion_id uuid not null references sign_offs,
  entry_id uuid not null,
  standard_hash text not null check (standard_hash ~ '^[0-9a-f]{64}$'),
  inputs jsonb not null,
  verdict jsonb not null,
  primary key (occasion_id, entry_id),
  foreign key (entry_id, occasion_id) references entries (id, occasion_id)
);

grant select, insert on sign_offs, verdict_snapshots to able_gauge_app;

-- Down Migration
drop table verdict_snapshots;
drop table sign_offs;
