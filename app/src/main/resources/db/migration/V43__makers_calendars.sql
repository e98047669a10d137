-- Every maker has minutes of their own, by day of the week, and days that are otherwise. What the house had goes to its only maker, or
-- is shared equally, to the minute; then it is marked, to be looked at.
create table maker_minutes (
    person_id bigint not null references person,
    day text not null check (day in ('MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY')),
    minutes int not null check (minutes between 0 and 6000),
    primary key (person_id, day)
);
create table maker_day (
    person_id bigint not null references person,
    day date not null,
    minutes int not null check (minutes between 0 and 6000),
    primary key (person_id, day)
);
alter table person add column minutes_shared boolean not null default false;

insert into maker_minutes (person_id, day, minutes)
select p.id, (array['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY'])[o.day],
       o.minutes / p.n + case when p.rank <= o.minutes % p.n then 1 else 0 end
from open_minutes o
    cross join (select id, row_number() over (order by id) as rank, count(*) over () as n from person where ended_at is null) p
where o.minutes > 0;
update person set minutes_shared = true
where ended_at is null and (select count(*) from person where ended_at is null) > 1;
drop table open_minutes;
