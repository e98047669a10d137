-- What a cut plan costs by the house's aims, and what no plan costs less than; lists of before have neither.
alter table cut_list add column cost numeric(19, 6);
alter table cut_list add column bound numeric(19, 6);
alter table cut_list add column plain numeric(19, 6);
alter table cut_list add column complete boolean;
-- How many sealed holdings it opens, and how many more pieces would wait if it opened none.
alter table cut_list add column opened int not null default 0;
alter table cut_list add column waiting_unopened int not null default 0;

alter table workshop add column leftover_percent int not null default 80 check (leftover_percent between 0 and 100);
alter table workshop add column leftover_handling numeric(9, 4) not null default 0.01 check (leftover_handling >= 0);
alter table workshop add column younger_year numeric(9, 4) not null default 0.02 check (younger_year >= 0);
