-- The house's days begin and end where the house is, whichever machine answers. The driver gives this session the zone of the
-- machine that migrates: so far the only one there was.
alter table workshop add column zone text not null default 'UTC';
update workshop set zone = current_setting('TimeZone');

-- What the house settles is kept as a whole, and the second of two who change it is told.
create table setting_revision (
    setting text primary key,
    revision int not null default 1
);
insert into setting_revision (setting)
values ('HOUSE'), ('MARGIN'), ('OPEN_MINUTES'), ('PRICES'), ('SIZES'), ('CUT_PLANS');
