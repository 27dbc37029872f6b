-- An authenticator's code beside the password (RFC 6238): for administrators, and for signing, where the house asks for it.
-- Up Migration
create table second_factors (
  account_id uuid primary key references accounts,
  -- what the authenticator keeps as well, in base 32
  secret text not null,
  -- null until a first code has shown that it does
  confirmed_at timestamptz,
  -- the time step of the last code that was taken: each is good once
  last_step bigint not null default 0,
  wrong integer not null default 0,
  wrong_at timestamptz
);

-- for who lost the authenticator, each good once; what is stored of them opens nothing
create table recovery_codes (
  account_id uuid not null references second_factors on delete cascade,
  code_hash bytea not null,
  primary key (account_id, code_hash)
);

create function second_factor_secret(account uuid) returns text
  language sql stable security definer set search_path = public, pg_temp as $$
  select f.secret from second_factors f where f.account_id = account and f.confirmed_at is not null
$$;

-- what is needed to look at a code, for whoever has the key of the password; @returns nothing when the key is another
create function sign_in_factor(name text, key bytea) returns table (secret text)
  language sql stable security definer set search_path = public, pg_temp as $$
  select second_factor_secret(a.id) from accounts a
   where a.sign_in_name = name and a.can_sign_in and split_part(a.password_hash, '$', 6) = encode(sha256(key), 'hex')
$$;

-- the own one, also before a first code was given
create function own_factor(token text) returns table (secret text, confirmed boolean, recovery_left integer)
  language sql stable security definer set search_path = public, pg_temp as $$
  select f.secret, f.confirmed_at is not null, (select count(*)::integer from recovery_codes r where r.account_id = f.account_id)
    from second_factors f where f.account_id = (live_account(token)).id
$$;

-- an authenticator that is set up anew takes the place of one that never showed a code, not of one in use
create function begin_second_factor(token text, new_secret text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.station_day is not null then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  insert into second_factors as f (account_id, secret) values (actor.id, new_secret)
  on conflict (account_id) do update set secret = excluded.secret, last_step = 0 where f.confirmed_at is null;
  return found;
end $$;

-- @param step of the code that was right
create function confirm_second_factor(token text, step bigint, codes text[]) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  update second_factors f set confirmed_at = now(), last_step = step where f.account_id = actor.id and f.confirmed_at is null;
  if not found then
    return false;
  end if;
  insert into recovery_codes (account_id, code_hash) select actor.id, sha256(convert_to(c, 'UTF8')) from unnest(codes) c;
  return true;
end $$;

-- Uses a code up. After ten wrong ones in a row none is taken for a quarter of an hour.
-- @param step of the code that was right, or null; @param recovery a code kept for the day the authenticator is lost, or null
create function use_code(account uuid, step bigint, recovery text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  kept second_factors;
  is_right boolean := false;
begin
  select f.* into kept from second_factors f where f.account_id = account and f.confirmed_at is not null for update;
  if kept.account_id is null then
    return true;
  end if;
  if kept.wrong >= 10 and kept.wrong_at > now() - interval '15 minutes' then
    return false;
  end if;
  if step > kept.last_step then
    is_right := true;
  elsif recovery is not null then
    delete from recovery_codes r where r.account_id = account and r.code_hash = sha256(convert_to(recovery, 'UTF8'));
    is_right := found;
  end if;
  update second_factors f
     set last_step = case when is_right and step is not null then step else f.last_step end,
         wrong = case when is_right then 0 when f.wrong_at > now() - interval '15 minutes' then f.wrong + 1 else 1 end,
         wrong_at = case when is_right then null else now() end
   where f.account_id = account;
  return is_right;
end $$;

-- for a signature and for giving the authenticator up
create function use_own_code(token text, step bigint, recovery text) returns boolean
  language sql security definer set search_path = public, pg_temp as $$
  select use_code((live_account(token)).id, step, recovery)
$$;

create function drop_own_factor(token text) returns void
  language sql security definer set search_path = public, pg_temp as $$
  delete from second_factors f where f.account_id = (live_account(token)).id
$$;

-- of somebody who lost the authenticator and the codes for that day
create function drop_second_factor(token text, account uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform administrator_account(token);
  perform kept_account(account);
  delete from second_factors f where f.account_id = account;
end $$;

create function accounts_with_second_factor() returns setof uuid
  language sql stable security definer set search_path = public, pg_temp as $$
  select f.account_id from second_factors f where f.confirmed_at is not null
$$;

drop function open_session(text, bytea, text, timestamptz, text);
-- @returns the id of the account, or null when the key or the code is not its own
create function open_session(name text, key bytea, token text, ends timestamptz, device text, step bigint, recovery text)
  returns uuid language plpgsql security definer set search_path = public, pg_temp as $$
declare
  found accounts;
begin
  delete from sessions where expires_at < now();
  select * into found from accounts
   where sign_in_name = name and can_sign_in and split_part(password_hash, '$', 6) = encode(sha256(key), 'hex');
  if found.id is null or not use_code(found.id, step, recovery) then
    return null;
  end if;
  perform store_session(found.id, token, ends, device);
  return found.id;
end $$;

drop function account_of_link(text);
create function account_of_link(code text)
  returns table (sign_in_name text, display_name text, role text, is_new boolean, secret text)
  language sql stable security definer set search_path = public, pg_temp as $$
  select a.sign_in_name, a.display_name, a.role, a.password_hash = '', second_factor_secret(a.id)
    from account_links l join accounts a on a.id = l.account_id
   where l.code_hash = sha256(convert_to(code, 'UTF8')) and l.used_at is null and l.ends_at > now() and a.closed_at is null
$$;

drop function take_account_link(text, text, text, timestamptz, text);
-- sets the password, ends every session there was, and opens one; @returns the account, or null when link or code open nothing
create function take_account_link(code text, hash text, token text, ends timestamptz, device text, step bigint, recovery text)
  returns uuid language plpgsql security definer set search_path = public, pg_temp as $$
declare
  taken account_links;
begin
  select l.* into taken from account_links l join accounts a on a.id = l.account_id
   where l.code_hash = sha256(convert_to(code, 'UTF8')) and l.used_at is null and l.ends_at > now() and a.closed_at is null
     for update of l;
  if taken.account_id is null or not use_code(taken.account_id, step, recovery) then
    return null;
  end if;
  update account_links l set used_at = now() where l.code_hash = taken.code_hash;
  update accounts a set password_hash = hash, invited = false where a.id = taken.account_id;
  delete from sessions s where s.account_id = taken.account_id;
  perform store_session(taken.account_id, token, ends, device);
  return taken.account_id;
end $$;

drop function use_session(text, interval);
-- using a session keeps it; @returns nothing when it has ended
create function use_session(token text, lasts interval)
  returns table (account_id uuid, ends timestamptz, lacks_factor boolean, signs_by_code boolean)
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  hash bytea := sha256(convert_to(token, 'UTF8'));
  rules jsonb := coalesce((select h.content from house_rules h), '{}');
  idle interval := coalesce(make_interval(mins => (rules ->> 'idleMinutes')::integer), lasts);
begin
  -- written at most every few minutes, not with every request
  update sessions s set expires_at = least(now() + lasts, s.created_at + interval '7 days'), used_at = now()
   where s.token_hash = hash and s.expires_at > now() and s.used_at > now() - idle and s.used_at < now() - interval '5 minutes';
  return query
    select s.account_id, least(s.expires_at, s.used_at + idle),
           coalesce((rules ->> 'administratorsByCode')::boolean, false) and a.role = 'administrator'
             and second_factor_secret(a.id) is null,
           coalesce((rules ->> 'signingByCode')::boolean, false)
      from sessions s join accounts a on a.id = s.account_id
     where s.token_hash = hash and s.expires_at > now() and s.used_at > now() - idle;
end $$;

revoke execute on all functions in schema public from public;
grant execute on function
  sign_in_factor(text, bytea), own_factor(text), begin_second_factor(text, text), confirm_second_factor(text, bigint, text[]),
  use_own_code(text, bigint, text), drop_own_factor(text), drop_second_factor(text, uuid), accounts_with_second_factor(),
  open_session(text, bytea, text, timestamptz, text, bigint, text), account_of_link(text),
  take_account_link(text, text, text, timestamptz, text, bigint, text), use_session(text, interval)
  to able_gauge_app;

-- Down Migration
drop function use_session(text, interval);
create function use_session(token text, lasts interval)
  returns table (account_id uuid, ends timestamptz)
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  hash bytea := sha256(convert_to(token, 'UTF8'));
  idle interval := coalesce((select make_interval(mins => (h.content ->> 'idleMinutes')::integer) from house_rules h), lasts);
begin
  update sessions s set expires_at = least(now() + lasts, s.created_at + interval '7 days'), used_at = now()
   where s.token_hash = hash and s.expires_at > now() and s.used_at > now() - idle and s.used_at < now() - interval '5 minutes';
  return query select s.account_id, least(s.expires_at, s.used_at + idle) from sessions s
   where s.token_hash = hash and s.expires_at > now() and s.used_at > now() - idle;
end $$;
drop function take_account_link(text, text, text, timestamptz, text, bigint, text);
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
drop function account_of_link(text);
create function account_of_link(code text) returns table (sign_in_name text, display_name text, role text, is_new boolean)
  language sql stable security definer set search_path = public, pg_temp as $$
  select a.sign_in_name, a.display_name, a.role, a.password_hash = ''
    from account_links l join accounts a on a.id = l.account_id
   where l.code_hash = sha256(convert_to(code, 'UTF8')) and l.used_at is null and l.ends_at > now() and a.closed_at is null
$$;
drop function open_session(text, bytea, text, timestamptz, text, bigint, text);
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
drop function accounts_with_second_factor, drop_second_factor, drop_own_factor, use_own_code, use_code,
  confirm_second_factor, begin_second_factor, own_factor, sign_in_factor, second_factor_secret;
drop table recovery_codes, second_factors;
revoke execute on all functions in schema public from public;
grant execute on function open_session(text, bytea, text, timestamptz, text), account_of_link(text),
  take_account_link(text, text, text, timestamptz, text), use_session(text, interval) to able_gauge_app;
