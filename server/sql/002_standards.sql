-- Published versions of standards. A published version never changes: the application may only add and read.
-- Up Migration
create table standards (
  id text not null,
  version integer not null check (version > 0),
  content jsonb not null,
  content_hash text not null check (content_hash ~ '^[0-9a-f]{64}$'),
  published_at timestamptz not null default now(),
  primary key (id, version)
);

grant select, insert on standards to able_gauge_app;

-- Down Migration
drop table standards;
