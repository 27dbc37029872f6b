-- Sets that graders practised on: what each was made from, what was said of it, and what core made of that.
-- Up Migration
create table drills (
  id uuid primary key,
  account_id uuid not null references accounts,
  standard_id text not null,
  version integer not null,
  event_id text not null,
  what text not null,
  level integer not null,
  seed integer not null,
  lanes integer not null,
  more text,
  done_at timestamptz not null,
  answers jsonb not null,
  ends jsonb not null,
  worth jsonb not null,
  foreign key (standard_id, version) references standards (id, version)
);
create index drills_by_account on drills (account_id, done_at desc);
create index drills_by_set on drills (standard_id, version, event_id, what, level, seed);
grant select, insert on drills to able_gauge_app;

-- Down Migration
drop table drills;
