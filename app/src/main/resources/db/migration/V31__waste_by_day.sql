-- What cut_waste holds, summed by day, so that a report by months does not go through every list there ever was.
create table cut_waste_day (
    day date primary key,
    used_um bigint not null,
    cut_um bigint not null,
    scrap_um bigint not null,
    scrap_value numeric(19, 4) not null,
    made bigint not null,
    made_um bigint not null,
    remnants bigint not null,
    remnants_um bigint not null
);

-- Days are held in their order, so that two who sum lists of the same days wait for each other once only.
create function cut_waste_summed() returns trigger language plpgsql as $$
declare
    sign int := case tg_op when 'DELETE' then -1 else 1 end;
begin
    insert into cut_waste_day as d (day, used_um, cut_um, scrap_um, scrap_value, made, made_um, remnants, remnants_um)
    select day, sign * sum(used_um), sign * sum(cut_um), sign * sum(scrap_um), sign * sum(scrap_value), sign * sum(made),
           sign * sum(made_um), sign * sum(remnants), sign * sum(remnants_um)
    from moved group by day order by day
    on conflict (day) do update set
        used_um = d.used_um + excluded.used_um, cut_um = d.cut_um + excluded.cut_um, scrap_um = d.scrap_um + excluded.scrap_um,
        scrap_value = d.scrap_value + excluded.scrap_value, made = d.made + excluded.made, made_um = d.made_um + excluded.made_um,
        remnants = d.remnants + excluded.remnants, remnants_um = d.remnants_um + excluded.remnants_um;
    return null;
end $$;
create trigger cut_waste_added after insert on cut_waste referencing new table as moved
    for each statement execute function cut_waste_summed();
create trigger cut_waste_gone after delete on cut_waste referencing old table as moved
    for each statement execute function cut_waste_summed();

insert into cut_waste_day (day, used_um, cut_um, scrap_um, scrap_value, made, made_um, remnants, remnants_um)
select day, sum(used_um), sum(cut_um), sum(scrap_um), sum(scrap_value), sum(made), sum(made_um), sum(remnants), sum(remnants_um)
from cut_waste group by day;
