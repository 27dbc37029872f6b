-- The test day in order: the plan, the log beside the captures, muster in full, amendments, station codes, self-tests, house rules.
-- Up Migration
create table plans (
  occasion_id uuid primary key references occasions,
  content jsonb not null,
  -- counts edits, so that a second person editing is told instead of overwriting
  revision integer not null default 1,
  edited_by uuid not null references accounts,
  edited_at timestamptz not null default now()
);

create table house_rules (
  -- one row at most
  id boolean primary key default true check (id),
  content jsonb not null,
  revision integer not null default 1
);

-- append-only, as the captures are
create table day_records (
  id uuid primary key,
  occasion_id uuid not null references occasions,
  seq integer not null check (seq > 0),
  content jsonb not null,
  actor_id uuid not null references accounts,
  at_ms bigint not null,
  unique (occasion_id, seq)
);
alter table capture_ledger add column last_record_seq integer not null default 0;

-- answers to the screening questions: seen by few, and never part of an archive
create table screenings (
  entry_id uuid primary key references entries,
  answers jsonb not null,
  actor_id uuid not null references accounts,
  at_ms bigint not null
);

alter table entries drop constraint entries_attendance_check;
alter table entries add constraint entries_attendance_check
  check (attendance in ('expected', 'late', 'present', 'held', 'absent', 'withdrawn'));
alter table entries
  add column height_mm integer check (height_mm between 500 and 2700),
  add column gear text not null default '',
  add column identity_checked boolean not null default false,
  add column consented boolean not null default false,
  add column choices jsonb not null default '{"variants": {}, "alternates": {}, "exemptions": {}}',
  add column set_up jsonb not null default '{}';

alter table sign_offs add column head text check (head ~ '^[0-9a-f]{64}$');

create table amendments (
  id uuid primary key,
  occasion_id uuid not null references sign_offs,
  entry_id uuid not null,
  event_id text not null,
  outcome text not null check (outcome in ('met', 'short')),
  reason text not null check (reason <> ''),
  account_id uuid not null references accounts,
  at_ms bigint not null,
  foreign key (entry_id, occasion_id) references entries (id, occasion_id)
);

create table station_codes (
  code text primary key check (code ~ '^[0-9A-Z]{6}$'),
  occasion_id uuid not null references occasions,
  event_ids text[] not null,
  role text not null check (role in ('grader', 'timer')),
  made_by uuid not null references accounts,
  made_at timestamptz not null default now(),
  ended_at timestamptz
);
-- whoever joined with a code is bound to its day and events
alter table accounts
  add column station_day uuid references occasions,
  add column station_events text[];

create table self_tests (
  id uuid primary key,
  person_id uuid not null references people,
  standard_id text not null,
  standard_version integer not null,
  event_id text not null,
  test_date date not null,
  figures jsonb not null,
  witness text not null default '',
  note text not null default '',
  logged_by uuid not null references accounts,
  logged_at timestamptz not null default now(),
  foreign key (standard_id, standard_version) references standards (id, version)
);
create index self_tests_by_person on self_tests (person_id);

alter table people
  add column erased_at timestamptz,
  -- a double points to the person it was merged into
  add column merged_into uuid references people;

-- what was done to a person's record, by whom and why
create table people_changes (
  id uuid primary key,
  person_id uuid not null references people,
  what text not null check (what in ('merged', 'erased')),
  detail jsonb not null,
  reason text not null check (reason <> ''),
  account_id uuid not null references accounts,
  at timestamptz not null default now()
);

grant select, insert, update on plans, house_rules to able_gauge_app;
grant select, insert on day_records, amendments, people_changes, self_tests to able_gauge_app;
grant select, insert, update, delete on screenings to able_gauge_app;
grant select, insert, update on station_codes to able_gauge_app;
grant update on people to able_gauge_app;
grant update, delete on self_tests to able_gauge_app;
grant delete on occasion_staff to able_gauge_app;

-- Down Migration
drop table people_changes;
alter table people drop column merged_into, drop column erased_at;
drop table self_tests;
alter table accounts drop column station_events, drop column station_day;
drop table station_codes;
drop table amendments;
alter table sign_offs drop column head;
alter table entries
  drop column set_up, drop column choices, drop column consented, drop column identity_checked, drop column gear, drop column height_mm;
update entries set attendance = 'expected' where attendance = 'late';
update entries set attendance = 'absent' where attendance = 'withdrawn';
alter table entries drop constraint entries_attendance_check;
alter table entries add constraint entries_attendance_check check (attendance in ('expected', 'present', 'held', 'absent'));
drop table screenings;
alter table capture_ledger drop column last_record_seq;
drop table day_records;
drop table house_rules;
drop table plans;
