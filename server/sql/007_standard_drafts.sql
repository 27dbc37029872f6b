-- Standards in the making, and the end of published ones. A draft may be unsound and may be changed; what is published may not.
-- Up Migration
alter table standards add column published_by uuid references accounts;

create table standard_drafts (
  id text not null check (id ~ '^[a-z0-9]+(-[a-z0-9]+)*$'),
  version integer not null check (version > 0),
  content jsonb not null,
  -- counts edits, so that a second person editing is told instead of overwriting
  revision integer not null default 1,
  edited_by uuid not null references accounts,
  edited_at timestamptz not null default now(),
  primary key (id, version)
);

create table standard_retirements (
  id text not null,
  version integer not null,
  last_day date not null,
  reason text not null check (reason <> ''),
  account_id uuid not null references accounts,
  retired_at timestamptz not null default now(),
  primary key (id, version),
  foreign key (id, version) references standards (id, version)
);

grant select, insert, update, delete on standard_drafts to able_gauge_app;
grant select, insert on standard_retirements to able_gauge_app;

-- Down Migration
drop table standard_retirements;
drop table standard_drafts;
alter table standards drop column published_by;
