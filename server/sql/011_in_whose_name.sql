-- What counts is written in somebody's name, and whose name it is follows from a live session. The application's role neither
-- reads nor writes sessions and passwords: functions of the owner take the raw token, hash it and derive the actor themselves.
-- Up Migration
alter table accounts
  add column can_sign_in boolean generated always as (password_hash <> '') stored,
  -- the code a guest of a station joined with
  add column joined_with text references station_codes;
alter table captures add column sent_by uuid references accounts;

-- the stored proof is the hash of the derived key, so that reading it opens nothing
update accounts set password_hash =
  'scrypt2$' || split_part(password_hash, '$', 2) || '$' || split_part(password_hash, '$', 3) || '$'
    || split_part(password_hash, '$', 4) || '$' || split_part(password_hash, '$', 5) || '$'
    || encode(sha256(decode(translate(split_part(password_hash, '$', 6), '-_', '+/') || '=', 'base64')), 'hex')
  where password_hash like 'scrypt$%';

-- days that came out of an archive: by whom, and what their signature proves here
create table day_imports (
  occasion_id uuid primary key references occasions,
  account_id uuid not null references accounts,
  at timestamptz not null default now(),
  key_fingerprint text,
  proven boolean not null,
  finished boolean not null default false
);

-- what arrived after the signature: kept, and never part of what was signed
create table day_annex (
  id uuid primary key,
  occasion_id uuid not null references occasions,
  capture jsonb not null,
  actor_id uuid not null references accounts,
  sent_by uuid references accounts,
  received_ms bigint not null
);
create index day_annex_by_day on day_annex (occasion_id, received_ms);

-- what each device last said it still holds
create table device_reports (
  occasion_id uuid not null references occasions,
  device_id text not null check (device_id <> ''),
  account_id uuid not null references accounts,
  waiting integer not null check (waiting >= 0),
  refused integer not null check (refused >= 0),
  seen_ms bigint not null,
  primary key (occasion_id, device_id)
);

-- sign-ins, refusals, what was read that few may read, and changes of accounts and rules
create table security_events (
  id bigint generated always as identity primary key,
  at timestamptz not null default now(),
  kind text not null,
  account_id uuid references accounts,
  -- ids and codes, never names or answers
  detail jsonb not null default '{}'
);

alter table people_changes drop constraint people_changes_what_check;
alter table people_changes add constraint people_changes_what_check
  check (what in ('merged', 'unmerged', 'corrected', 'erased'));

-- a double stands for the person it points to
create function canonical(person uuid) returns uuid language sql stable as $$
  select coalesce(p.merged_into, p.id) from people p where p.id = person
$$;

revoke all on sessions from able_gauge_app;
revoke insert, select on accounts from able_gauge_app;
grant select (id, sign_in_name, display_name, role, is_demo, created_at, person_id, station_day, station_events, can_sign_in, joined_with)
  on accounts to able_gauge_app;
revoke insert on captures, day_records, sign_offs, verdict_snapshots, amendments from able_gauge_app;
revoke update on capture_ledger from able_gauge_app;
revoke insert, update on station_codes from able_gauge_app;
grant select on day_imports, day_annex to able_gauge_app;
grant select, insert, update on device_reports to able_gauge_app;
grant select, insert on security_events to able_gauge_app;
grant update (name, venue, zone, test_date) on occasions to able_gauge_app;

create function live_account(token text) returns accounts
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  found accounts;
begin
  select a.* into found from sessions s join accounts a on a.id = s.account_id
   where s.token_hash = sha256(convert_to(token, 'UTF8')) and s.expires_at > now();
  if found.id is null then
    raise exception 'no live session' using errcode = '28000';
  end if;
  return found;
end $$;

-- whoever works on a day: in one of the roles, and on its staff
create function staff_account(token text, day uuid, roles text[]) returns accounts
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if not actor.role = any (roles)
     or not exists (select 1 from occasion_staff f where f.occasion_id = day and f.account_id = actor.id)
     or (actor.station_day is not null and actor.station_day <> day) then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  return actor;
end $$;

create function session_parameters(name text) returns text
  language sql stable security definer set search_path = public, pg_temp as $$
  select regexp_replace(password_hash, '\$[^$]*$', '') from accounts where sign_in_name = name and password_hash <> ''
$$;

-- @returns the id of the account, or null when the key is not its own
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

-- whether a key is the account's own: for a signature, which takes the password once more
create function is_own_key(token text, key bytea) returns boolean
  language sql stable security definer set search_path = public, pg_temp as $$
  select split_part(password_hash, '$', 6) = encode(sha256(key), 'hex') from live_account(token) where password_hash <> ''
$$;

-- using a session keeps it; @returns nothing when it has ended
create function use_session(token text, lasts interval)
  returns table (account_id uuid, ends timestamptz)
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  hash bytea := sha256(convert_to(token, 'UTF8'));
begin
  -- written at most every few minutes, not with every request
  update sessions s set expires_at = least(now() + lasts, s.created_at + interval '7 days')
   where s.token_hash = hash and s.expires_at > now()
     and s.expires_at < least(now() + lasts - interval '5 minutes', s.created_at + interval '7 days');
  return query select s.account_id, s.expires_at from sessions s where s.token_hash = hash and s.expires_at > now();
end $$;

create function close_session(token text) returns uuid
  language sql security definer set search_path = public, pg_temp as $$
  delete from sessions where token_hash = sha256(convert_to(token, 'UTF8')) returning account_id
$$;

create function make_station_code(token text, new_code text, day uuid, events text[], as_role text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
begin
  insert into station_codes (code, occasion_id, event_ids, role, made_by) values (new_code, day, events, as_role, actor.id);
end $$;

-- @returns the accounts that were signed out with it, or null when there is no such code
create function end_station_code(token text, day uuid, ended_code text) returns uuid[]
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
  guests uuid[];
begin
  update station_codes set ended_at = now() where occasion_id = day and code = ended_code and ended_at is null;
  if not found then
    return null;
  end if;
  with gone as (
    delete from sessions s using accounts a where a.id = s.account_id and a.joined_with = ended_code returning s.account_id)
  select coalesce(array_agg(distinct account_id), '{}') into guests from gone;
  return guests;
end $$;

-- joins a station: an account without a password, bound to its day and events, that lives as long as its session
create function join_station(with_code text, new_id uuid, name text, person uuid, token text, ends timestamptz) returns text
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  station station_codes;
begin
  select c.* into station from station_codes c join capture_ledger l on l.occasion_id = c.occasion_id
   where c.code = with_code and c.ended_at is null and l.closed_at is null;
  if station.code is null then
    return 'noCode';
  end if;
  if exists (select 1 from accounts a where a.password_hash <> ''
              and lower(regexp_replace(normalize(a.display_name, NFKC), '\s+', ' ', 'g'))
                = lower(regexp_replace(normalize(name, NFKC), '\s+', ' ', 'g'))) then
    return 'nameTaken';
  end if;
  insert into accounts (id, sign_in_name, display_name, role, password_hash, station_day, station_events, joined_with, person_id)
  values (new_id, 'station-' || new_id, name, station.role, '', station.occasion_id, station.event_ids, station.code, person);
  insert into occasion_staff (occasion_id, account_id, duty) values (station.occasion_id, new_id, 'by station code');
  insert into sessions (token_hash, account_id, expires_at)
  values (sha256(convert_to(token, 'UTF8')), new_id, least(ends, now() + interval '7 days'));
  return 'joined';
end $$;

create function link_account(token text, linked uuid, person uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role not in ('officer', 'clerk') or actor.station_day is not null then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  update accounts set person_id = person where id = linked;
end $$;

create function lock_ledger(day uuid, out last_seq integer, out last_record_seq integer, out closed boolean)
  language sql security definer set search_path = public, pg_temp as $$
  select l.last_seq, l.last_record_seq, l.closed_at is not null from capture_ledger l where l.occasion_id = day for update
$$;

create type capture_row as (
  id uuid, event_id text, entry_id uuid, kind text, payload jsonb, device_id text, device_ms bigint, at_ms bigint,
  uncertainty_ms integer, received_ms bigint, position integer, token text, made_by uuid, actor_id uuid, sent_by uuid
);

-- for the functions below alone: they have decided whose captures these are
create function store_captures(day uuid, rows jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  first integer;
begin
  select l.last_seq into first from capture_ledger l where l.occasion_id = day and l.closed_at is null for update;
  if first is null then
    raise exception 'the day is signed off' using errcode = '55000';
  end if;
  insert into captures (occasion_id, seq, actor_id, sent_by, received_ms, id, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms)
  select day, first + r.position, r.actor_id, r.sent_by, r.received_ms, r.id, r.event_id, r.entry_id, r.kind, r.payload,
         r.device_id, r.device_ms, r.at_ms, r.uncertainty_ms
    from jsonb_populate_recordset(null::capture_row, rows) r;
  update capture_ledger l set last_seq = first + jsonb_array_length(rows) where l.occasion_id = day;
end $$;

-- whose name each row carries: the session's, or that of a guest of this day whose device hands it in later
create function captures_in_name(day uuid, rows jsonb) returns jsonb
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  named jsonb;
  actors jsonb := '{}';
  one text;
  actor accounts;
begin
  for one in select distinct r.token from jsonb_populate_recordset(null::capture_row, rows) r loop
    actor := staff_account(one, day, array['officer', 'grader', 'timer']);
    if actor.role <> 'officer' and exists (
      select 1 from jsonb_populate_recordset(null::capture_row, rows) r
       where r.token = one and (r.kind = 'decided' or (r.kind = 'stopped' and r.payload ->> 'reason' = 'disqualified'))) then
      raise exception 'for an officer' using errcode = '42501';
    end if;
    if actor.station_day is not null and exists (
      select 1 from jsonb_populate_recordset(null::capture_row, rows) r
       where r.token = one and not r.event_id = any (actor.station_events)) then
      raise exception 'not at this station' using errcode = '42501';
    end if;
    actors := actors || jsonb_build_object(one, actor.id);
  end loop;
  if exists (select 1 from jsonb_populate_recordset(null::capture_row, rows) r
              where r.made_by is not null and not exists (
                select 1 from accounts a where a.id = r.made_by and a.station_day = day)) then
    raise exception 'no guest of this day' using errcode = '42501';
  end if;
  select jsonb_agg(to_jsonb(r) - 'token' || jsonb_build_object(
           'actor_id', coalesce(r.made_by, (actors ->> r.token)::uuid),
           'sent_by', case when r.made_by is not null then actors ->> r.token end))
    into named from jsonb_populate_recordset(null::capture_row, rows) r;
  return named;
end $$;

create function add_captures(day uuid, rows jsonb) returns void
  language sql security definer set search_path = public, pg_temp as $$
  select store_captures(day, captures_in_name(day, rows))
$$;

-- a made-up day is written in the server's name, and nobody's
create function add_rehearsal_captures(day uuid, rows jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if not exists (select 1 from rehearsals r where r.occasion_id = day) then
    raise exception 'not a rehearsal' using errcode = '42501';
  end if;
  perform store_captures(day, (select jsonb_agg(e || jsonb_build_object(
    'actor_id', '00000000-0000-8000-8000-000000000001', 'sent_by', null)) from jsonb_array_elements(rows) e));
end $$;

-- only a day that nothing was captured on can become made up
create function rehearsals_begin_empty() returns trigger
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if exists (select 1 from captures c where c.occasion_id = new.occasion_id) then
    raise exception 'the day has captures' using errcode = '42501';
  end if;
  return new;
end $$;
create trigger rehearsals_begin_empty before insert on rehearsals for each row execute function rehearsals_begin_empty();

-- what arrives after the signature
create function add_to_annex(day uuid, rows jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if not exists (select 1 from capture_ledger l where l.occasion_id = day and l.closed_at is not null) then
    raise exception 'the day is open' using errcode = '55000';
  end if;
  insert into day_annex (id, occasion_id, capture, actor_id, sent_by, received_ms)
  select r.id, day, to_jsonb(r) - 'position' - 'token' - 'made_by' - 'actor_id' - 'sent_by' - 'received_ms', r.actor_id, r.sent_by, r.received_ms
    from jsonb_populate_recordset(null::capture_row, captures_in_name(day, rows)) r
      on conflict (id) do nothing;
end $$;

create function store_record(day uuid, record uuid, content jsonb, actor uuid, at_ms bigint) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  number integer;
begin
  if exists (select 1 from day_records r where r.id = record) then
    return;
  end if;
  update capture_ledger l set last_record_seq = l.last_record_seq + 1
   where l.occasion_id = day and l.closed_at is null returning l.last_record_seq into number;
  if number is null then
    raise exception 'the day is signed off' using errcode = '55000';
  end if;
  insert into day_records (id, occasion_id, seq, content, actor_id, at_ms) values (record, day, number, content, actor, at_ms);
end $$;

create function add_record(token text, day uuid, record uuid, content jsonb, at_ms bigint) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  kind text := content ->> 'kind';
  actor accounts := staff_account(token, day, case
    when kind in ('heatDecided', 'holdLifted', 'protestAnswered', 'dayOpened') then array['officer']
    when kind = 'clockStepped' then array[]::text[]
    else array['officer', 'grader', 'timer', 'clerk'] end);
begin
  perform store_record(day, record, content, actor.id, at_ms);
end $$;

create function add_server_record(day uuid, record uuid, by_ms bigint, at_ms bigint) returns void
  language sql security definer set search_path = public, pg_temp as $$
  select store_record(day, record, jsonb_build_object('kind', 'clockStepped', 'byMs', by_ms), '00000000-0000-8000-8000-000000000001', at_ms)
$$;

create function sign_day(token text, day uuid, signed_at timestamptz, head text, snapshots jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
begin
  update capture_ledger l set closed_at = now() where l.occasion_id = day and l.closed_at is null;
  if not found then
    raise exception 'the day is signed off' using errcode = '55000';
  end if;
  insert into sign_offs (occasion_id, account_id, signed_at, head) values (day, actor.id, signed_at, head);
  insert into verdict_snapshots (occasion_id, entry_id, standard_hash, inputs, verdict)
  select day, s.entry_id, s.standard_hash, s.inputs, s.verdict
    from jsonb_to_recordset(snapshots) s (entry_id uuid, standard_hash text, inputs jsonb, verdict jsonb);
end $$;

create function amend_day(token text, day uuid, amendment uuid, entry uuid, event text, as_outcome text, why text, at_ms bigint) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
begin
  insert into amendments (id, occasion_id, entry_id, event_id, outcome, reason, account_id, at_ms)
  values (amendment, day, entry, event, as_outcome, why, actor.id, at_ms);
end $$;

-- an archive is read in by an officer, into a day that came with it and has nothing of its own
create function begin_reading_in(token text, day uuid, fingerprint text, is_proven boolean) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role <> 'officer' or exists (select 1 from captures c where c.occasion_id = day)
     or exists (select 1 from sign_offs s where s.occasion_id = day) then
    raise exception 'not to be read in' using errcode = '42501';
  end if;
  insert into day_imports (occasion_id, account_id, key_fingerprint, proven) values (day, actor.id, fingerprint, is_proven);
end $$;

create function being_read_in(token text, day uuid) returns void
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if not exists (select 1 from day_imports i where i.occasion_id = day and i.account_id = actor.id and not i.finished) then
    raise exception 'not being read in' using errcode = '42501';
  end if;
end $$;

-- somebody an archive names: on record, and nobody signs in as them
create function add_archived_account(token text, day uuid, new_id uuid, name text, as_role text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform being_read_in(token, day);
  insert into accounts (id, sign_in_name, display_name, role, password_hash)
  values (new_id, 'archived-' || new_id, name, as_role, '');
end $$;

create function restore_day_log(token text, day uuid, rows jsonb, records jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform being_read_in(token, day);
  perform store_captures(day, rows);
  insert into day_records (id, occasion_id, seq, content, actor_id, at_ms)
  select r.id, day, r.seq, r.content, r.actor_id, r.at_ms
    from jsonb_to_recordset(records) r (id uuid, seq integer, content jsonb, actor_id uuid, at_ms bigint);
  update capture_ledger l set last_record_seq = coalesce((select max(r.seq) from day_records r where r.occasion_id = day), 0)
   where l.occasion_id = day;
end $$;

create function restore_signature(token text, day uuid, signer uuid, signed_at timestamptz, head text, snapshots jsonb, amended jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform being_read_in(token, day);
  update capture_ledger l set closed_at = now() where l.occasion_id = day;
  insert into sign_offs (occasion_id, account_id, signed_at, head) values (day, signer, signed_at, head);
  insert into verdict_snapshots (occasion_id, entry_id, standard_hash, inputs, verdict)
  select day, s.entry_id, s.standard_hash, s.inputs, s.verdict
    from jsonb_to_recordset(snapshots) s (entry_id uuid, standard_hash text, inputs jsonb, verdict jsonb);
  insert into amendments (id, occasion_id, entry_id, event_id, outcome, reason, account_id, at_ms)
  select a.id, day, a.entry_id, a.event_id, a.outcome, a.reason, a.account_id, a.at_ms
    from jsonb_to_recordset(amended) a (id uuid, entry_id uuid, event_id text, outcome text, reason text, account_id uuid, at_ms bigint);
end $$;

create function end_reading_in(token text, day uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform being_read_in(token, day);
  update day_imports i set finished = true where i.occasion_id = day;
end $$;

revoke execute on all functions in schema public from public;
grant execute on function canonical(uuid),
  session_parameters(text), open_session(text, bytea, text, timestamptz), is_own_key(text, bytea), use_session(text, interval),
  close_session(text), make_station_code(text, text, uuid, text[], text), end_station_code(text, uuid, text),
  join_station(text, uuid, text, uuid, text, timestamptz), link_account(text, uuid, uuid), lock_ledger(uuid),
  add_captures(uuid, jsonb), add_rehearsal_captures(uuid, jsonb), add_to_annex(uuid, jsonb),
  add_record(text, uuid, uuid, jsonb, bigint), add_server_record(uuid, uuid, bigint, bigint),
  sign_day(text, uuid, timestamptz, text, jsonb), amend_day(text, uuid, uuid, uuid, text, text, text, bigint),
  begin_reading_in(text, uuid, text, boolean), add_archived_account(text, uuid, uuid, text, text),
  restore_day_log(text, uuid, jsonb, jsonb), restore_signature(text, uuid, uuid, timestamptz, text, jsonb, jsonb),
  end_reading_in(text, uuid)
  to able_gauge_app;
-- functions made later are nobody's until they are given
alter default privileges in schema public revoke execute on functions from public;

-- Down Migration
drop function end_reading_in, restore_signature, restore_day_log, add_archived_account, being_read_in, begin_reading_in,
  amend_day, sign_day, add_server_record, add_record, store_record, add_to_annex, add_rehearsal_captures, add_captures,
  captures_in_name, store_captures, lock_ledger, link_account, join_station, end_station_code, make_station_code, close_session,
  use_session, is_own_key, open_session, session_parameters, staff_account, live_account, canonical;
delete from people_changes where what in ('unmerged', 'corrected');
alter table people_changes drop constraint people_changes_what_check;
alter table people_changes add constraint people_changes_what_check check (what in ('merged', 'erased'));
drop trigger rehearsals_begin_empty on rehearsals;
drop function rehearsals_begin_empty;
drop type capture_row;
grant insert, update on station_codes to able_gauge_app;
grant update on capture_ledger to able_gauge_app;
grant insert on captures, day_records, sign_offs, verdict_snapshots, amendments to able_gauge_app;
grant insert, select on accounts to able_gauge_app;
grant select, insert, delete on sessions to able_gauge_app;
revoke update (name, venue, zone, test_date) on occasions from able_gauge_app;
drop table security_events, device_reports, day_annex, day_imports;
alter table captures drop column sent_by;
alter table accounts drop column joined_with, drop column can_sign_in;
