-- Results of years before this program, read from a file and judged by the version in force then; apart from what was signed here.
-- Up Migration
create table brought_in_results (
  id uuid primary key,
  person_id uuid not null references people,
  standard_id text not null,
  standard_version integer not null,
  test_date date not null,
  verdict jsonb not null,
  -- the file it stood in, as whoever brought it in calls it
  source text not null check (source <> ''),
  brought_by uuid not null references accounts,
  brought_at timestamptz not null default now(),
  foreign key (standard_id, standard_version) references standards (id, version),
  unique (person_id, standard_id, test_date)
);
grant select, insert, delete on brought_in_results to able_gauge_app;

-- Down Migration
drop table brought_in_results;
