-- Signed days as reports need them: written from the captures when a day is signed or amended, by core, and never judged here.
-- Everything in these tables can be written anew from what was signed.
-- Up Migration
create table result_days (
  occasion_id uuid primary key references sign_offs on delete cascade,
  -- of what is written; a program that writes more writes older days anew
  form integer not null
);

create table results (
  id bigint generated always as identity primary key,
  occasion_id uuid not null references sign_offs on delete cascade,
  entry_id uuid not null unique,
  person_id uuid not null references people,
  standard_id text not null,
  standard_version integer not null,
  test_date date not null,
  test_year integer not null generated always as (extract(year from test_date)::integer) stored,
  venue text not null,
  -- the unit the person belonged to then
  unit_id uuid references units,
  category text not null,
  age_years integer not null,
  age_group text not null,
  outcome text not null,
  centipoints integer,
  class_name text,
  short_in text[] not null,
  near_the_cut boolean not null,
  foreign key (entry_id, occasion_id) references entries (id, occasion_id)
);
create index results_by_standard on results (standard_id, test_date);
create index results_by_person on results (person_id, standard_id, test_date);
create index results_by_day on results (occasion_id);

create table event_results (
  result_id bigint not null references results on delete cascade,
  event_id text not null,
  kind text not null,
  reason text,
  value integer,
  unit text not null,
  cut integer,
  margin integer,
  near_the_cut boolean not null,
  centipoints integer,
  alternate_id text,
  variant_id text,
  is_carried boolean not null,
  primary key (result_id, event_id)
);

create table repeated_figures (
  result_id bigint not null references results on delete cascade,
  event_id text not null,
  of text not null,
  part text not null,
  first integer not null,
  second integer not null,
  unit text not null,
  first_by uuid references accounts,
  second_by uuid references accounts,
  decisions jsonb not null
);
create index repeated_figures_by_result on repeated_figures (result_id);

create table grader_work (
  result_id bigint not null references results on delete cascade,
  event_id text not null,
  account_id uuid not null references accounts,
  is_second boolean not null,
  counted integer not null,
  refused integer not null,
  reasons jsonb not null
);
create index grader_work_by_result on grader_work (result_id);

create table staff_work (
  occasion_id uuid not null references sign_offs on delete cascade,
  account_id uuid not null references accounts,
  captured integer not null,
  corrected integer not null,
  overruled integer not null,
  decided integer not null,
  took_over integer not null,
  primary key (occasion_id, account_id)
);

grant select, insert, delete on result_days, results, event_results, repeated_figures, grader_work, staff_work to able_gauge_app;

-- what somebody did, and the doubles that point to them
create index entries_by_person on entries (person_id);
create index people_merged_into on people (merged_into) where merged_into is not null;

-- people are looked for by a part of their name or number
create schema extensions;
create extension pg_trgm schema extensions;
create index people_by_part_of_name on people using gin ((given_name || ' ' || family_name) extensions.gin_trgm_ops);
create index people_by_part_of_number on people using gin (number extensions.gin_trgm_ops);

-- Down Migration
drop schema extensions cascade;
drop index people_merged_into, entries_by_person;
drop table staff_work, grader_work, repeated_figures, event_results, results, result_days;
