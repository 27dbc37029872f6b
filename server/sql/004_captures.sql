-- The capture log. Append-only: the application may add and read, never change or remove. The ledger row of a day hands
-- out its numbers without gaps and is locked while captures are added, so that a day cannot be closed in between.
-- Up Migration
create table capture_ledger (
  occasion_id uuid primary key references occasions,
  last_seq integer not null default 0,
  closed_at timestamptz
);

create table captures (
  id uuid primary key,
  occasion_id uuid not null references occasions,
  seq integer not null check (seq > 0),
  event_id text not null,
  entry_id uuid,
  kind text not null,
  payload jsonb not null,
  device_id text not null,
  device_ms bigint not null,
  at_ms bigint not null,
  uncertainty_ms integer not null check (uncertainty_ms >= 0),
  actor_id uuid not null references accounts,
  received_ms bigint not null,
  unique (occasion_id, seq),
  foreign key (entry_id, occasion_id) references entries (id, occasion_id)
);

grant select, insert, update on capture_ledger to able_gauge_app;
grant select, insert on captures to able_gauge_app;

-- Down Migration
drop table captures;
drop table capture_ledger;
