-- Accounts kept on screen: invitations and resets by a link, closing, sessions by device; the first administrator of an empty house.
-- Up Migration
alter table accounts drop constraint accounts_role_check;
alter table accounts add constraint accounts_role_check
  check (role in ('administrator', 'officer', 'grader', 'timer', 'clerk', 'records', 'viewer'));
alter table accounts add column closed_at timestamptz;
alter table accounts drop column can_sign_in;
alter table accounts
  add column can_sign_in boolean generated always as (password_hash <> '' and closed_at is null) stored,
  -- somebody who was invited and has not chosen a password yet, rather than a guest, the server, or a name out of an archive
  add column invited boolean not null default false;
grant select (closed_at, can_sign_in, invited) on accounts to able_gauge_app;

alter table sessions
  add column id uuid not null default gen_random_uuid(),
  add column device text not null default '',
  add column used_at timestamptz not null default now();

-- a link lets somebody choose a password, once; what is stored of it opens nothing
create table account_links (
  code_hash bytea primary key,
  account_id uuid not null references accounts,
  made_by uuid references accounts,
  made_at timestamptz not null default now(),
  ends_at timestamptz not null,
  used_at timestamptz
);
create index account_links_by_account on account_links (account_id);

-- the code that is shown in the terminal while the house has no administrator
create table set_up_codes (
  code_hash bytea primary key,
  made_at timestamptz not null default now()
);

create function administrator_account(token text) returns accounts
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role <> 'administrator' or actor.station_day is not null then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  return actor;
end $$;

-- somebody an administrator may change: no guest, not the server, nobody out of an archive
create function kept_account(id uuid) returns accounts
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  found accounts;
begin
  select a.* into found from accounts a
   where a.id = kept_account.id and a.station_day is null and (a.password_hash <> '' or a.invited);
  if found.id is null then
    raise exception 'no such account' using errcode = 'P0002';
  end if;
  return found;
end $$;

create function store_account_link(account uuid, actor uuid, code text, ends timestamptz) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  -- a new link takes the place of one that was not used
  delete from account_links l where l.account_id = account and l.used_at is null;
  insert into account_links (code_hash, account_id, made_by, ends_at)
  values (sha256(convert_to(code, 'UTF8')), account, actor, least(ends, now() + interval '7 days'));
end $$;

-- @returns whether it was taken in; not when somebody has the name already
create function invite_account(token text, new_id uuid, name text, display text, as_role text, code text, ends timestamptz) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
begin
  if exists (select 1 from accounts a where a.sign_in_name = name) then
    return false;
  end if;
  insert into accounts (id, sign_in_name, display_name, role, password_hash, invited)
  values (new_id, name, display, as_role, '', true);
  perform store_account_link(new_id, actor.id, code, ends);
  return true;
end $$;

create function renew_account_link(token text, account uuid, code text, ends timestamptz) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
  found accounts := kept_account(account);
begin
  if found.closed_at is not null then
    raise exception 'the account is closed' using errcode = 'AG002';
  end if;
  perform store_account_link(account, actor.id, code, ends);
end $$;

create function account_of_link(code text) returns table (sign_in_name text, display_name text, role text, is_new boolean)
  language sql stable security definer set search_path = public, pg_temp as $$
  select a.sign_in_name, a.display_name, a.role, a.password_hash = ''
    from account_links l join accounts a on a.id = l.account_id
   where l.code_hash = sha256(convert_to(code, 'UTF8')) and l.used_at is null and l.ends_at > now() and a.closed_at is null
$$;

create function store_session(account uuid, token text, ends timestamptz, device text) returns void
  language sql security definer set search_path = public, pg_temp as $$
  insert into sessions (token_hash, account_id, expires_at, device)
  values (sha256(convert_to(token, 'UTF8')), account, least(ends, now() + interval '7 days'), left(device, 120))
$$;

-- sets the password, ends every session there was, and opens one; @returns the account, or null when the link opens nothing
create function take_account_link(code text, hash text, token text, ends timestamptz, device text) returns uuid
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  taken uuid;
begin
  update account_links l set used_at = now() from accounts a
   where l.code_hash = sha256(convert_to(code, 'UTF8')) and l.used_at is null and l.ends_at > now()
     and a.id = l.account_id and a.closed_at is null
  returning l.account_id into taken;
  if taken is null then
    return null;
  end if;
  update accounts a set password_hash = hash, invited = false where a.id = taken;
  delete from sessions s where s.account_id = taken;
  perform store_session(taken, token, ends, device);
  return taken;
end $$;

-- a house always has somebody who can let others in
create function keep_an_administrator(but uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  -- of two who show each other out at once the second waits here, and finds itself the last
  perform 1 from accounts a where a.role = 'administrator' order by a.id for update;
  if not exists (select 1 from accounts a where a.role = 'administrator' and a.can_sign_in and a.id <> but) then
    raise exception 'the last administrator' using errcode = 'AG001';
  end if;
end $$;

create function change_account(token text, account uuid, display text, as_role text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
  found accounts := kept_account(account);
begin
  if found.role = 'administrator' and as_role <> 'administrator' then
    perform keep_an_administrator(account);
  end if;
  update accounts a set display_name = display, role = as_role where a.id = account;
end $$;

create function close_account(token text, account uuid, closed boolean) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
  found accounts := kept_account(account);
begin
  if closed and found.role = 'administrator' then
    perform keep_an_administrator(account);
  end if;
  update accounts a set closed_at = case when closed then coalesce(a.closed_at, now()) end where a.id = account;
  if closed then
    delete from sessions s where s.account_id = account;
    delete from account_links l where l.account_id = account and l.used_at is null;
  end if;
end $$;

-- @returns whether the key was the account's own; the sessions on other devices end
create function change_password(token text, key bytea, hash text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if is_own_key(token, key) is not true then
    return false;
  end if;
  update accounts a set password_hash = hash where a.id = actor.id;
  delete from sessions s where s.account_id = actor.id and s.token_hash <> sha256(convert_to(token, 'UTF8'));
  return true;
end $$;

-- the sessions of one's own account, or, for an administrator, of another
create function list_sessions(token text, account uuid)
  returns table (id uuid, device text, created_at timestamptz, used_at timestamptz, is_this boolean)
  language plpgsql stable security definer set search_path = public, pg_temp as $$
begin
  if (live_account(token)).id <> account then
    perform administrator_account(token);
    perform kept_account(account);
  end if;
  return query select s.id, s.device, s.created_at, s.used_at, s.token_hash = sha256(convert_to(token, 'UTF8'))
    from sessions s where s.account_id = account and s.expires_at > now() order by s.used_at desc;
end $$;

-- one session, or all but the one that asks
create function end_sessions(token text, account uuid, only_id uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if (live_account(token)).id <> account then
    perform administrator_account(token);
    perform kept_account(account);
  end if;
  delete from sessions s where s.account_id = account
     and case when only_id is null then s.token_hash <> sha256(convert_to(token, 'UTF8')) else s.id = only_id end;
end $$;

-- the first administrator, for whoever can read the terminal; @returns whether the code was right and the house has none yet
create function found_house(code text, new_id uuid, name text, display text, hash text, token text, ends timestamptz, device text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  -- two at once: one of them waits here, and finds an administrator
  perform 1 from set_up_codes c where c.code_hash = sha256(convert_to(code, 'UTF8')) for update;
  if not found or exists (select 1 from accounts a where a.role = 'administrator' and a.can_sign_in)
     or exists (select 1 from accounts a where a.sign_in_name = name) then
    return false;
  end if;
  insert into accounts (id, sign_in_name, display_name, role, password_hash) values (new_id, name, display, 'administrator', hash);
  delete from set_up_codes;
  perform store_session(new_id, token, ends, device);
  return true;
end $$;

create or replace function session_parameters(name text) returns text
  language sql stable security definer set search_path = public, pg_temp as $$
  select regexp_replace(password_hash, '\$[^$]*$', '') from accounts where sign_in_name = name and can_sign_in
$$;

drop function open_session(text, bytea, text, timestamptz);
-- @returns the id of the account, or null when the key is not its own
create function open_session(name text, key bytea, token text, ends timestamptz, device text) returns uuid
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  found accounts;
begin
  delete from sessions where expires_at < now();
  select * into found from accounts
   where sign_in_name = name and can_sign_in and split_part(password_hash, '$', 6) = encode(sha256(key), 'hex');
  if found.id is null then
    return null;
  end if;
  perform store_session(found.id, token, ends, device);
  return found.id;
end $$;

-- using a session keeps it; @returns nothing when it has ended
create or replace function use_session(token text, lasts interval)
  returns table (account_id uuid, ends timestamptz)
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  hash bytea := sha256(convert_to(token, 'UTF8'));
begin
  -- written at most every few minutes, not with every request
  update sessions s set expires_at = least(now() + lasts, s.created_at + interval '7 days'), used_at = now()
   where s.token_hash = hash and s.expires_at > now() and s.used_at < now() - interval '5 minutes';
  return query select s.account_id, s.expires_at from sessions s where s.token_hash = hash and s.expires_at > now();
end $$;

create or replace function link_account(token text, linked uuid, person uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role not in ('administrator', 'officer', 'clerk') or actor.station_day is not null then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  update accounts set person_id = person where id = linked;
end $$;

create or replace function trust_key(token text, key text, called text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role not in ('administrator', 'officer') then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  insert into trusted_keys (public_key, name, added_by) values (key, called, actor.id)
  on conflict (public_key) do update set name = called;
end $$;

create or replace function erase_texts(token text, entry_ids uuid[]) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role not in ('officer', 'records') then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  update day_texts set text = null, salt = null where entry_id = any (entry_ids);
end $$;

-- a rule for one schema takes nothing back from everybody; one for the role that makes the functions does
alter default privileges revoke execute on functions from public;
revoke execute on all functions in schema public from public;
grant execute on function
  invite_account(text, uuid, text, text, text, text, timestamptz), renew_account_link(text, uuid, text, timestamptz),
  account_of_link(text), take_account_link(text, text, text, timestamptz, text), change_account(text, uuid, text, text),
  close_account(text, uuid, boolean), change_password(text, bytea, text), list_sessions(text, uuid),
  end_sessions(text, uuid, uuid), found_house(text, uuid, text, text, text, text, timestamptz, text),
  open_session(text, bytea, text, timestamptz, text)
  to able_gauge_app;

-- Down Migration
create or replace function trust_key(token text, key text, called text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role <> 'officer' then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  insert into trusted_keys (public_key, name, added_by) values (key, called, actor.id)
  on conflict (public_key) do update set name = called;
end $$;
create or replace function erase_texts(token text, entry_ids uuid[]) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role <> 'officer' then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  update day_texts set text = null, salt = null where entry_id = any (entry_ids);
end $$;
drop function open_session(text, bytea, text, timestamptz, text);
drop function found_house, end_sessions, list_sessions, change_password, close_account, change_account, keep_an_administrator,
  take_account_link, store_session, account_of_link, renew_account_link, invite_account, store_account_link, kept_account,
  administrator_account;
drop table set_up_codes, account_links;
alter table sessions drop column id, drop column device, drop column used_at;
alter table accounts drop column can_sign_in, drop column closed_at, drop column invited;
alter table accounts add column can_sign_in boolean generated always as (password_hash <> '') stored;
grant select (can_sign_in) on accounts to able_gauge_app;
alter table accounts drop constraint accounts_role_check;
delete from accounts where role in ('administrator', 'records');
alter table accounts add constraint accounts_role_check check (role in ('officer', 'grader', 'timer', 'clerk', 'viewer'));
create function open_session(name text, key bytea, token text, ends timestamptz) returns uuid
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  found accounts;
begin
  delete from sessions where expires_at < now();
  select * into found from accounts
   where sign_in_name = name and password_hash <> '' and split_part(password_hash, '$', 6) = encode(sha256(key), 'hex');
  if found.id is null then
    return null;
  end if;
  insert into sessions (token_hash, account_id, expires_at)
  values (sha256(convert_to(token, 'UTF8')), found.id, least(ends, now() + interval '7 days'));
  return found.id;
end $$;
grant execute on function open_session(text, bytea, text, timestamptz) to able_gauge_app;
