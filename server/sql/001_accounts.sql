-- People who sign in, and their sessions. Sessions live here so that a restart signs nobody out.
-- Up Migration
create table accounts (
  id uuid primary key,
  sign_in_name text not null unique check (sign_in_name = lower(sign_in_name) and sign_in_name <> ''),
  display_name text not null check (display_name <> ''),
  role text not null check (role in ('officer', 'grader', 'timer', 'clerk', 'viewer')),
  password_hash text not null,
  is_demo boolean not null default false,
  created_at timestamptz not null default now()
);

create table sessions (
  token_hash bytea primary key,
  account_id uuid not null references accounts,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index sessions_by_expiry on sessions (expires_at);

grant select, insert on accounts to able_gauge_app;
grant select, insert, delete on sessions to able_gauge_app;

-- Down Migration
drop table sessions;
drop table accounts;
