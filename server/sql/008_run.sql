-- Whose account is whose person, so that nobody works their own wave; and days that are rehearsals.
-- Up Migration
alter table accounts add column person_id uuid references people;
-- people a rehearsal made up, who are kept out of every list of real ones
alter table people add column made_up boolean not null default false;

create table rehearsals (
  occasion_id uuid primary key references occasions,
  seed integer not null,
  -- how much faster than the clock the made-up day runs
  speed integer not null check (speed between 1 and 60),
  -- the day's time runs at that speed from here on, ms since 1970
  from_ms bigint not null,
  -- an event somebody works by hand; nothing is made up for it
  own_event_id text
);
grant select, insert on rehearsals to able_gauge_app;

-- Down Migration
drop table rehearsals;
alter table people drop column made_up;
alter table accounts drop column person_id;
