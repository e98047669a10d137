-- A piece's life stands in its rows: each act on it is one, and none is ever rewritten. Its stage is kept beside them, for lists and
-- sums; bin/restis verify replays the rows and compares. An enum, because stages are compared: what
-- is at CUT or behind it is cut. Its name is the one by which Hibernate writes its literals.
create type piecestage as enum
    ('OPEN', 'PLANNED', 'CUTTING', 'CUT', 'MAKING', 'MADE', 'CHECKED', 'PACKED', 'SENT', 'GIVEN_UP');

create sequence piece_event_number increment by 50;
create table piece_event (
    id bigint primary key,
    -- No reference: what happened stays when a piece is taken off its order.
    piece_id bigint not null,
    act text not null check (act in ('PLAN', 'RELEASE', 'CUT_INTO', 'CUT', 'START', 'FINISH', 'CHECK', 'PACK', 'SEND', 'REDO',
                                     'COME_BACK', 'GIVE_UP', 'TAKE_BACK')),
    at timestamptz not null,
    person_id bigint references person,
    who text not null,
    batch_id bigint,
    dry_until timestamptz,
    takes_back bigint unique references piece_event,
    check ((act = 'TAKE_BACK') = (takes_back is not null)),
    check ((act = 'PLAN') = (batch_id is not null)),
    check (dry_until is null or act = 'FINISH')
);
create index piece_event_by_piece on piece_event (piece_id, id);

-- What is known of the pieces so far: when each was planned, cut, made and sent. Who made and sent them is told by the history of
-- their orders, which was written in the same transaction; where it is not, nobody is named.
insert into piece_event (id, piece_id, act, at, person_id, who, batch_id)
select row_number() over (order by e.piece_id, e.step), e.piece_id, e.act, e.at, x.id, e.who, e.batch_id
from (
    select p.id as piece_id, 1 as step, 'PLAN' as act, b.created_at as at, b.created_by as who, b.id as batch_id
    from piece p join batch b on b.id = p.batch_id
    union all
    select c.piece_id, 2, 'CUT_INTO', c.done_at, c.done_by, null
    from (select distinct on (n.piece_id) n.piece_id, t.done_at, t.done_by
          from cut_step t join strand n on n.id = t.strand_id where t.done_at is not null
          order by n.piece_id, t.done_at, t.id) c
    join piece p on p.id = c.piece_id and p.batch_id is not null
    union all
    select p.id, 3, 'CUT', p.cut_at, coalesce(c.done_by, ''), null
    from piece p
        left join (select distinct on (n.piece_id) n.piece_id, t.done_by
                   from cut_step t join strand n on n.id = t.strand_id where t.done_at is not null
                   order by n.piece_id, t.done_at desc, t.id desc) c on c.piece_id = p.id
    where p.cut_at is not null
    union all
    select p.id, 4, 'FINISH', p.made_at, coalesce(w.who, ''), null
    from piece p join order_line l on l.id = p.line_id
        left join lateral (select e.who from order_event e
                           where e.order_id = l.order_id and e.what = 'MADE' and e.at between p.made_at and p.made_at + interval '1 s'
                           order by e.id limit 1) w on true
    where p.made_at is not null
    union all
    select p.id, 5, 'SEND', p.dispatched_at, coalesce(w.who, ''), null
    from piece p join order_line l on l.id = p.line_id
        left join lateral (select e.who from order_event e
                           where e.order_id = l.order_id and e.what = 'DISPATCHED'
                             and e.at between p.dispatched_at and p.dispatched_at + interval '1 s'
                           order by e.id limit 1) w on true
    where p.dispatched_at is not null
) e left join person x on x.name = e.who;
select setval('piece_event_number', (select coalesce(max(id), 0) + 1 from piece_event), false);

create function piece_event_is_append_only() returns trigger language plpgsql as $$
begin
    raise exception 'what happened to a piece is not rewritten';
end $$;
create trigger piece_event_append_only before update or delete on piece_event
    for each row execute function piece_event_is_append_only();

alter table piece add column stage piecestage not null default 'OPEN';
alter table piece add column dry_until timestamptz;
alter table piece_estimate add column drying_s int not null default 0;
alter table piece disable trigger user;
update piece p set stage = (case when dispatched_at is not null then 'SENT' when made_at is not null then 'MADE'
                                 when cut_at is not null then 'CUT'
                                 when exists (select 1 from piece_event e where e.piece_id = p.id and e.act = 'CUT_INTO') then 'CUTTING'
                                 else 'PLANNED' end)::piecestage
where batch_id is not null;
alter table piece enable trigger user;

-- Whatever asked the moments asks the stage.
create or replace view batch_sums as
    select b.id, count(p.id)::int as pieces, (count(*) filter (where p.stage >= 'CUT'))::int as cut,
           coalesce(sum(e.used), 0) as estimated_used, coalesce(sum(e.tails), 0) as estimated_tails,
           coalesce(sum(e.hardware), 0) as estimated_hardware,
           coalesce(sum(a.used), 0) as used, coalesce(sum(a.tails), 0) as tails, coalesce(sum(a.waste), 0) as waste,
           coalesce(sum(a.hardware), 0) as hardware
    from batch b left join piece p on p.batch_id = b.id
        left join piece_estimate e on e.piece_id = p.id left join piece_actual a on a.piece_id = p.id
    group by b.id;

create or replace function piece_counted() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, d.n::int, d.c::int, d.eu, d.et, d.eh, d.u, d.t, d.w, d.h)
    from (select m.batch_id, sum(m.sign) as n, sum(m.sign * m.is_cut) as c,
                 coalesce(sum(m.sign * e.used), 0) as eu, coalesce(sum(m.sign * e.tails), 0) as et,
                 coalesce(sum(m.sign * e.hardware), 0) as eh,
                 coalesce(sum(m.sign * a.used), 0) as u, coalesce(sum(m.sign * a.tails), 0) as t,
                 coalesce(sum(m.sign * a.waste), 0) as w, coalesce(sum(m.sign * a.hardware), 0) as h
          from (select id, batch_id, (stage >= 'CUT')::int as is_cut, 1 as sign from is_now
                union all select id, batch_id, (stage >= 'CUT')::int, -1 from was_before) m
              left join piece_estimate e on e.piece_id = m.id left join piece_actual a on a.piece_id = m.id
          where m.batch_id is not null
          group by m.batch_id order by m.batch_id) d
    where d.n <> 0 or d.c <> 0;
    return null;
end $$;

create or replace function piece_gone() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, -d.n::int, -d.c::int, 0, 0, 0, 0, 0, 0, 0)
    from (select batch_id, count(*) as n, count(*) filter (where stage >= 'CUT') as c from was_before where batch_id is not null
          group by batch_id order by batch_id) d;
    return null;
end $$;

create or replace function piece_come() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, d.n::int, d.c::int, 0, 0, 0, 0, 0, 0, 0)
    from (select batch_id, count(*) as n, count(*) filter (where stage >= 'CUT') as c from is_now where batch_id is not null
          group by batch_id order by batch_id) d;
    return null;
end $$;

create or replace view article_needed as
    select article_id, order_id, batch_id, sum(quantity)::bigint as quantity
    from (select n.article_id, l.order_id, p.batch_id, n.quantity * p.uncut as quantity
          from order_line l join customer_order o on o.id = l.order_id join order_line_need n on n.line_id = l.id
              cross join lateral (select batch_id, count(*) as uncut from piece where line_id = l.id and stage < 'CUT'
                                  group by batch_id) p
          where o.stage = 'ACCEPTED'
          union all
          select n.article_id, l.order_id, p.batch_id, -least(n.quantity, c.cut_um)
          from piece p join piece_actual a on a.piece_id = p.id join order_line l on l.id = p.line_id
              join customer_order o on o.id = l.order_id join order_line_need n on n.line_id = l.id
              join lateral (select sum(s.cut_um) as cut_um from strand s join cut_step t on t.strand_id = s.id
                            where s.piece_id = p.id and s.article_id = n.article_id and t.done_at is not null) c
                  on c.cut_um is not null
          where p.stage < 'CUT' and p.batch_id is not null and o.stage = 'ACCEPTED') needed
    group by article_id, order_id, batch_id
    having sum(quantity) > 0;

create or replace view reckoned_anew_open as
select r.*, p.pieces
from reckoned_anew r
    cross join lateral (select count(*)::int as pieces from piece where line_id = r.line_id and stage < 'CUT') p
where p.pieces > 0;

alter table piece drop constraint piece_in_order;
drop index piece_unmade;
drop index piece_uncut;
drop index piece_in_cutting;
drop index piece_open;
alter table piece drop column cut_at, drop column made_at, drop column dispatched_at;
alter table piece add constraint piece_batch_by_stage check ((stage = 'OPEN') = (batch_id is null));
create index piece_unmade on piece (line_id) where stage < 'MADE';
create index piece_uncut on piece (line_id) where stage < 'CUT';
create index piece_in_cutting on piece (batch_id) where batch_id is not null and stage < 'CUT';
create index piece_open on piece (line_id) where stage = 'OPEN';

-- Small houses make and send; what lies between is asked for only where it is wanted.
alter table workshop add column checks boolean not null default false;
alter table workshop add column packs boolean not null default false;
insert into setting_revision (setting) values ('WORK_STEPS');
