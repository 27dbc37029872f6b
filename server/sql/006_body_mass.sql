-- Body mass at muster: a standard can ask for a share of it.
-- Up Migration
alter table entries add column body_mass_g integer check (body_mass_g between 20000 and 400000);

-- Down Migration
alter table entries drop column body_mass_g;
