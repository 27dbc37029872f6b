-- How sure the clock of a device is, and how long it will last.
-- Up Migration
alter table device_reports
  add column clock_ms integer check (clock_ms >= 0),
  add column battery_percent integer check (battery_percent between 0 and 100);

-- Down Migration
alter table device_reports drop column clock_ms, drop column battery_percent;
