-- What stands from an earlier day, where the standard has only what was short done again: marks by event, out of a signed verdict.
-- Up Migration
alter table entries add column carried jsonb not null default '{}';

-- Down Migration
alter table entries drop column carried;
