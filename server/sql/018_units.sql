-- A tree of units and sites: who belongs where sees and works there. Whoever belongs to none sees the whole house.
-- Up Migration
create table units (
  id uuid primary key,
  name text not null check (name <> ''),
  parent_id uuid references units check (parent_id <> id),
  closed_at timestamptz
);
create unique index units_by_name on units (coalesce(parent_id, '00000000-0000-0000-0000-000000000000'), lower(name));
grant select on units to able_gauge_app;

alter table accounts add column unit_id uuid references units;
grant select (unit_id) on accounts to able_gauge_app;
alter table people add column unit_id uuid references units;
create index people_by_unit on people (unit_id);
alter table occasions add column unit_id uuid references units;
create index occasions_by_unit on occasions (unit_id);
grant update (unit_id) on occasions to able_gauge_app;

-- whether a unit is another one or lies somewhere below it; nothing lies within what is no unit
create function unit_within(inner_id uuid, outer_id uuid) returns boolean
  language sql stable set search_path = public, pg_temp as $$
  with recursive above as (
    select u.id, u.parent_id from units u where u.id = inner_id
    union all
    select u.id, u.parent_id from units u join above a on u.id = a.parent_id
  )
  select exists (select 1 from above a where a.id = outer_id)
$$;

create function keep_unit(token text, new_id uuid, called text, parent uuid, closed boolean) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
begin
  -- of two who move units into each other at once the second waits here, and finds the circle
  lock table units in share row exclusive mode;
  if parent is not null and unit_within(parent, new_id) then
    raise exception 'a unit within itself' using errcode = 'AG003';
  end if;
  insert into units (id, name, parent_id, closed_at) values (new_id, called, parent, case when closed then now() end)
  on conflict (id) do update set name = called, parent_id = parent,
    closed_at = case when closed then coalesce(units.closed_at, now()) end;
end $$;

drop function invite_account(text, uuid, text, text, text, text, timestamptz);
-- @returns whether it was taken in; not when somebody has the name already
create function invite_account(token text, new_id uuid, name text, display text, as_role text, unit uuid, code text, ends timestamptz)
  returns boolean language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
begin
  if exists (select 1 from accounts a where a.sign_in_name = name) then
    return false;
  end if;
  insert into accounts (id, sign_in_name, display_name, role, unit_id, password_hash, invited)
  values (new_id, name, display, as_role, unit, '', true);
  perform store_account_link(new_id, actor.id, code, ends);
  return true;
end $$;

drop function change_account(text, uuid, text, text);
create function change_account(token text, account uuid, display text, as_role text, unit uuid) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
  found accounts := kept_account(account);
begin
  if found.role = 'administrator' and as_role <> 'administrator' then
    perform keep_an_administrator(account);
  end if;
  update accounts a set display_name = display, role = as_role, unit_id = unit where a.id = account;
end $$;
-- whoever looks after the house looks after all of it
alter table accounts add constraint administrators_of_the_house check (role <> 'administrator' or unit_id is null);

grant execute on function
  unit_within(uuid, uuid), keep_unit(text, uuid, text, uuid, boolean),
  invite_account(text, uuid, text, text, text, uuid, text, timestamptz), change_account(text, uuid, text, text, uuid)
  to able_gauge_app;

-- Down Migration
alter table accounts drop constraint administrators_of_the_house;
drop function change_account(text, uuid, text, text, uuid);
create function change_account(token text, account uuid, display text, as_role text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
  found accounts := kept_account(account);
begin
  if found.role = 'administrator' and as_role <> 'administrator' then
    perform keep_an_administrator(account);
  end if;
  update accounts a set display_name = display, role = as_role where a.id = account;
end $$;
drop function invite_account(text, uuid, text, text, text, uuid, text, timestamptz);
create function invite_account(token text, new_id uuid, name text, display text, as_role text, code text, ends timestamptz) returns boolean
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := administrator_account(token);
begin
  if exists (select 1 from accounts a where a.sign_in_name = name) then
    return false;
  end if;
  insert into accounts (id, sign_in_name, display_name, role, password_hash, invited)
  values (new_id, name, display, as_role, '', true);
  perform store_account_link(new_id, actor.id, code, ends);
  return true;
end $$;
grant execute on function change_account(text, uuid, text, text), invite_account(text, uuid, text, text, text, text, timestamptz)
  to able_gauge_app;
drop function keep_unit, unit_within;
alter table occasions drop column unit_id;
alter table people drop column unit_id;
alter table accounts drop column unit_id;
drop table units;
