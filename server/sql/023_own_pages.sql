-- A candidate's own page: opened by a link that ends, with the date of birth; what they log there has no account behind it.
-- Up Migration
create table own_pages (
  token_hash bytea primary key,
  person_id uuid not null references people,
  made_by uuid not null references accounts,
  made_at timestamptz not null default now(),
  ends_at timestamptz not null,
  -- wrong dates of birth; too many end the link
  wrong_tries integer not null default 0
);
create index own_pages_by_person on own_pages (person_id);
grant select, insert, update, delete on own_pages to able_gauge_app;
alter table self_tests alter column logged_by drop not null;

-- Down Migration
delete from self_tests where logged_by is null;
alter table self_tests alter column logged_by set not null;
drop table own_pages;
