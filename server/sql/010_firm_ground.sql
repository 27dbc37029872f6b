-- The clock every process of a machine serves, and an account for what the server notices by itself.
-- Up Migration
create table server_clocks (
  -- of the machine since it was switched on: its monotonic clock is shared by all processes until then
  boot_id text primary key,
  agreed_ms bigint not null,
  monotonic_ms bigint not null
);
grant select, insert, update on server_clocks to able_gauge_app;

insert into accounts (id, sign_in_name, display_name, role, password_hash)
values ('00000000-0000-8000-8000-000000000001', 'the-server', 'The server', 'viewer', '');

create index captures_by_arrival on captures (received_ms);

-- Down Migration
drop index captures_by_arrival;
delete from accounts where id = '00000000-0000-8000-8000-000000000001';
drop table server_clocks;
