-- A session that is not used ends after the time the house allows; used is what any request does, written every few minutes.
-- Up Migration
create or replace function use_session(token text, lasts interval)
  returns table (account_id uuid, ends timestamptz)
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  hash bytea := sha256(convert_to(token, 'UTF8'));
  idle interval := coalesce((select make_interval(mins => (h.content ->> 'idleMinutes')::integer) from house_rules h), lasts);
begin
  -- written at most every few minutes, not with every request
  update sessions s set expires_at = least(now() + lasts, s.created_at + interval '7 days'), used_at = now()
   where s.token_hash = hash and s.expires_at > now() and s.used_at > now() - idle and s.used_at < now() - interval '5 minutes';
  return query select s.account_id, least(s.expires_at, s.used_at + idle) from sessions s
   where s.token_hash = hash and s.expires_at > now() and s.used_at > now() - idle;
end $$;

-- Down Migration
create or replace function use_session(token text, lasts interval)
  returns table (account_id uuid, ends timestamptz)
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  hash bytea := sha256(convert_to(token, 'UTF8'));
begin
  update sessions s set expires_at = least(now() + lasts, s.created_at + interval '7 days'), used_at = now()
   where s.token_hash = hash and s.expires_at > now() and s.used_at < now() - interval '5 minutes';
  return query select s.account_id, s.expires_at from sessions s where s.token_hash = hash and s.expires_at > now();
end $$;
