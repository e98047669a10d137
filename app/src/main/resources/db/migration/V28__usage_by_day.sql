-- What each article used up on each day that is over: what a week uses up is added from days, not from every movement.
create table usage_day (
    day date not null,
    article_id bigint not null references article,
    quantity bigint not null,
    primary key (day, article_id)
);
-- The last day that is summed; one row, which whoever sums holds.
create table usage_summed (
    id boolean primary key default true check (id),
    until date
);
insert into usage_summed default values;
