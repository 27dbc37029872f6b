-- Captures nobody has sent before, stored by one statement: a wave of two hundred is stamped while everybody waits for the same ledger row.
-- Up Migration
-- @returns the last number before them, or null when one of them is on record or the day is closed: nothing is stored then
create function add_new_captures(day uuid, rows jsonb) returns integer
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  before integer;
begin
  select l.last_seq into before from capture_ledger l where l.occasion_id = day and l.closed_at is null for update;
  if before is null or exists (
    select 1 from captures c where c.id in (select r.id from jsonb_populate_recordset(null::capture_row, rows) r)) then
    return null;
  end if;
  perform add_captures(day, rows);
  return before;
end $$;
grant execute on function add_new_captures(uuid, jsonb) to able_gauge_app;

-- Down Migration
drop function add_new_captures(uuid, jsonb);
