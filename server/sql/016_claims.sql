-- Whom each device has open at an event. A claim ends by itself when it is not renewed; it changes no figure and is in no archive.
-- Up Migration
create table claims (
  occasion_id uuid not null references occasions (id) on delete cascade,
  event_id text not null,
  entry_id uuid not null references entries (id) on delete cascade,
  device_id text not null,
  account_id uuid not null references accounts (id),
  since_ms bigint not null,
  renewed_ms bigint not null,
  primary key (occasion_id, event_id, entry_id, device_id)
);
create index on claims (occasion_id, device_id);
grant select, insert, update, delete on claims to able_gauge_app;

-- Down Migration
drop table claims;
