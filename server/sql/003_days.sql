-- People, test days (occasions), who works on them and who is entered.
-- Up Migration
create table people (
  id uuid primary key,
  number text not null unique check (number <> ''),
  given_name text not null check (given_name <> ''),
  family_name text not null check (family_name <> ''),
  birth_date date not null
);

create table occasions (
  id uuid primary key,
  name text not null check (name <> ''),
  venue text not null check (venue <> ''),
  zone text not null,
  test_date date not null,
  standard_id text not null,
  standard_version integer not null,
  created_at timestamptz not null default now(),
  foreign key (standard_id, standard_version) references standards (id, version)
);
create index occasions_by_date on occasions (test_date desc);

create table occasion_staff (
  occasion_id uuid not null references occasions,
  account_id uuid not null references accounts,
  duty text not null check (duty <> ''),
  primary key (occasion_id, account_id)
);

create table entries (
  id uuid primary key,
  occasion_id uuid not null references occasions,
  person_id uuid not null references people,
  bib integer check (bib between 1 and 99999),
  wave integer not null check (wave between 1 and 999),
  category text not null check (category <> ''),
  attendance text not null default 'expected' check (attendance in ('expected', 'present', 'held', 'absent')),
  note text not null default '',
  -- counts edits, so that a second person editing is told instead of overwriting
  revision integer not null default 1,
  unique (occasion_id, person_id),
  unique (occasion_id, bib),
  unique (id, occasion_id)
);

grant select, insert on people, occasions, occasion_staff to able_gauge_app;
grant select, insert, update on entries to able_gauge_app;

-- Down Migration
drop table entries;
drop table occasion_staff;
drop table occasions;
drop table people;
