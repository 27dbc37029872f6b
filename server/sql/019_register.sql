-- What the register keeps about people besides who they are.
-- Up Migration
alter table people
  add column category text not null default '',
  add column rank text not null default '',
  add column email text not null default '';
create index people_by_name on people (lower(family_name), lower(given_name), birth_date);

-- Down Migration
drop index people_by_name;
alter table people drop column category, drop column rank, drop column email;
