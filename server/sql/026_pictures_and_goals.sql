-- The organisation's mark; a picture with a self-test, its form and corrections; goals people set themselves on their own page.
-- Up Migration
create table house_mark (
  is_only boolean primary key default true check (is_only),
  image bytea not null,
  changed_at timestamptz not null default now()
);
alter table self_tests
  add column variant_id text,
  -- what was logged wrongly stays, and is told to be so by whatever takes its place
  add column replaces uuid references self_tests;
create unique index self_tests_replaced_once on self_tests (replaces);
create table self_test_pictures (
  self_test_id uuid primary key references self_tests on delete cascade,
  image bytea not null
);
create table own_goals (
  person_id uuid not null references people,
  standard_id text not null,
  event_id text not null,
  -- in the base unit of the event
  value bigint not null,
  by_date date not null,
  set_at timestamptz not null default now(),
  primary key (person_id, standard_id, event_id)
);
grant select, insert, update, delete on house_mark, own_goals to able_gauge_app;
grant select, insert, delete on self_test_pictures to able_gauge_app;

-- Down Migration
drop table own_goals, self_test_pictures;
drop index self_tests_replaced_once;
alter table self_tests drop column replaces, drop column variant_id;
drop table house_mark;
