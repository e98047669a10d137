-- Where the cord of each cut list went, by article and day: kept once a list is done, so that no report goes through every cut
-- that was ever made. Whatever is done to a list makes it unsummed; it is summed again soon after. A day is a day of the house.
alter table cut_list add column summed boolean not null default false;
create index cut_list_unsummed on cut_list (id) where not summed;

create view cut_waste_now as
    select w.cut_list_id, w.article_id, w.day,
           sum(case when w.cut_um > 0 then coalesce(w.used_um, w.cut_um) else 0 end)::bigint as used_um,
           sum(w.cut_um)::bigint as cut_um, sum(w.scrap_um)::bigint as scrap_um, sum(w.scrap_value)::numeric(19, 4) as scrap_value,
           (count(*) filter (where w.kept_um > 0))::int as made, sum(w.kept_um)::bigint as made_um,
           (count(distinct w.holding_id) filter (where w.cut_um > 0 and w.kind in ('REMNANT', 'CUT')))::int as remnants,
           coalesce(sum(w.cut_um) filter (where w.kind in ('REMNANT', 'CUT')), 0)::bigint as remnants_um
    from (select t.id, (t.done_at at time zone (select zone from workshop))::date as day, s.cut_list_id, h.id as holding_id, h.kind,
                 lot.article_id, n.used_um,
                 coalesce(-sum(g.quantity) filter (where g.movement in ('CUT', 'RETURN')), 0) as cut_um,
                 coalesce(-sum(g.quantity) filter (where g.movement = 'BIN'), 0) as scrap_um,
                 coalesce(-sum(g.value) filter (where g.movement = 'BIN'), 0) as scrap_value,
                 coalesce(-sum(g.quantity) filter (where g.movement = 'SPLIT' and g.holding_id = s.holding_id), 0) as kept_um
          from cut_spool s join cut_step t on t.cut_spool_id = s.id join holding h on h.id = s.holding_id
              join lot on lot.id = h.lot_id join ledger g on g.cut_step_id = t.id left join strand n on n.id = t.strand_id
          where t.done_at is not null
          group by t.id, s.cut_list_id, h.id, lot.article_id, n.used_um) w
    group by w.cut_list_id, w.article_id, w.day;

create table cut_waste (
    cut_list_id bigint not null references cut_list on delete cascade,
    article_id bigint not null references article,
    day date not null,
    used_um bigint not null,
    cut_um bigint not null,
    scrap_um bigint not null,
    scrap_value numeric(19, 4) not null,
    made int not null,
    made_um bigint not null,
    remnants int not null,
    remnants_um bigint not null,
    primary key (cut_list_id, article_id, day)
);
create index cut_waste_by_day on cut_waste (day);
