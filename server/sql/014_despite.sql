-- Which questions a second, deliberate press answered: a start while a rest still ran, a lift before its time. It changes no figure,
-- but tells an accident from an intention.
-- Up Migration
alter table captures add column despite text[];
alter type capture_row add attribute despite text[];

create or replace function store_captures(day uuid, rows jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  first integer;
begin
  select l.last_seq into first from capture_ledger l where l.occasion_id = day and l.closed_at is null for update;
  if first is null then
    raise exception 'the day is signed off' using errcode = '55000';
  end if;
  insert into captures (occasion_id, seq, actor_id, sent_by, received_ms, id, event_id, entry_id, kind, payload, device_id, device_ms, clock_run, at_ms, uncertainty_ms, despite)
  select day, first + r.position, r.actor_id, r.sent_by, r.received_ms, r.id, r.event_id, r.entry_id, r.kind, r.payload,
         r.device_id, r.device_ms, r.clock_run, r.at_ms, r.uncertainty_ms, r.despite
    from jsonb_populate_recordset(null::capture_row, rows) r;
  update capture_ledger l set last_seq = first + jsonb_array_length(rows) where l.occasion_id = day;
end $$;

-- Down Migration
create or replace function store_captures(day uuid, rows jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  first integer;
begin
  select l.last_seq into first from capture_ledger l where l.occasion_id = day and l.closed_at is null for update;
  if first is null then
    raise exception 'the day is signed off' using errcode = '55000';
  end if;
  insert into captures (occasion_id, seq, actor_id, sent_by, received_ms, id, event_id, entry_id, kind, payload, device_id, device_ms, clock_run, at_ms, uncertainty_ms)
  select day, first + r.position, r.actor_id, r.sent_by, r.received_ms, r.id, r.event_id, r.entry_id, r.kind, r.payload,
         r.device_id, r.device_ms, r.clock_run, r.at_ms, r.uncertainty_ms
    from jsonb_populate_recordset(null::capture_row, rows) r;
  update capture_ledger l set last_seq = first + jsonb_array_length(rows) where l.occasion_id = day;
end $$;

alter type capture_row drop attribute despite;
alter table captures drop column despite;
