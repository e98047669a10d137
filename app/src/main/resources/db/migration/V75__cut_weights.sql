-- What cut plans are to save is the cutting's own: it lay in the house's row, where every new owner left it as it is.
create table cut_weights (
    id boolean primary key default true check (id),
    leftover_percent int not null default 80 check (leftover_percent between 0 and 100),
    leftover_handling numeric(9, 4) not null default 0.01 check (leftover_handling >= 0),
    younger_year numeric(9, 4) not null default 0.02 check (younger_year >= 0),
    plan_seconds int not null default 5 check (plan_seconds between 0 and 120)
);
insert into cut_weights (leftover_percent, leftover_handling, younger_year, plan_seconds)
    select leftover_percent, leftover_handling, younger_year, plan_seconds from workshop;
insert into cut_weights default values on conflict do nothing;
alter table workshop drop column leftover_percent, drop column leftover_handling, drop column younger_year,
    drop column plan_seconds;
