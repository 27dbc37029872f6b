-- Days that are cancelled with a reason, and rehearsals that are thrown away.
-- Up Migration
create table cancellations (
  occasion_id uuid primary key references occasions,
  account_id uuid not null references accounts,
  reason text not null check (reason <> ''),
  at timestamptz not null default now()
);
grant select on cancellations to able_gauge_app;
grant update (standard_id, standard_version) on occasions to able_gauge_app;

-- only before anything was captured: afterwards there are results, and a signature closes the day
create function cancel_day(token text, day uuid, why text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
  ledger capture_ledger;
begin
  select * into ledger from capture_ledger l where l.occasion_id = day for update;
  if ledger.closed_at is not null then
    raise exception 'the day is closed' using errcode = '55000';
  end if;
  if ledger.last_seq > 0 then
    raise exception 'something was captured' using errcode = 'AG004';
  end if;
  insert into cancellations (occasion_id, account_id, reason) values (day, actor.id, why);
  update capture_ledger set closed_at = now() where occasion_id = day;
end $$;

-- @returns whether the day was cancelled
create function take_cancellation_back(token text, day uuid) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  late jsonb;
  actor accounts := staff_account(token, day, array['officer']);
begin
  delete from cancellations c where c.occasion_id = day;
  if not found then
    return false;
  end if;
  update capture_ledger set closed_at = null where occasion_id = day;
  -- what a device sent meanwhile belongs to the day again
  select jsonb_agg(x.capture || jsonb_build_object('position', x.position, 'actor_id', x.actor_id, 'sent_by', x.sent_by,
                                                   'received_ms', x.received_ms))
    into late from (select a.*, row_number() over (order by a.received_ms, a.id) as position
                      from day_annex a where a.occasion_id = day) x;
  if late is not null then
    perform store_captures(day, late);
    delete from day_annex where occasion_id = day;
  end if;
  return true;
end $$;

-- nobody in it is real, so nothing of it is kept; @returns whether it was a rehearsal
create function throw_rehearsal_away(token text, day uuid) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer', 'grader', 'timer']);
  nobodies uuid[];
begin
  perform 1 from rehearsals r where r.occasion_id = day for update;
  if not found then
    return false;
  end if;
  select array_agg(e.person_id) into nobodies from entries e where e.occasion_id = day;
  -- whoever joined with a code is shown out
  delete from sessions s using accounts a where a.id = s.account_id and a.station_day = day;
  update accounts set station_day = null, station_events = null, joined_with = null, closed_at = now() where station_day = day;
  delete from day_identities where occasion_id = day;
  delete from amendments where occasion_id = day;
  delete from verdict_snapshots where occasion_id = day;
  delete from sign_offs where occasion_id = day;
  delete from day_texts where occasion_id = day;
  delete from day_annex where occasion_id = day;
  delete from captures where occasion_id = day;
  delete from capture_ledger where occasion_id = day;
  delete from day_records where occasion_id = day;
  delete from device_reports where occasion_id = day;
  delete from station_codes where occasion_id = day;
  delete from plans where occasion_id = day;
  delete from cancellations where occasion_id = day;
  delete from occasion_staff where occasion_id = day;
  delete from screenings where entry_id in (select e.id from entries e where e.occasion_id = day);
  delete from entries where occasion_id = day;
  delete from rehearsals where occasion_id = day;
  delete from occasions where id = day;
  delete from people p where p.id = any (nobodies) and p.made_up;
  return true;
end $$;

grant execute on function cancel_day(text, uuid, text), take_cancellation_back(text, uuid), throw_rehearsal_away(text, uuid)
  to able_gauge_app;

-- Down Migration
drop function throw_rehearsal_away, take_cancellation_back, cancel_day;
revoke update (standard_id, standard_version) on occasions from able_gauge_app;
drop table cancellations;
