-- What one piece of a line takes of each article: micrometres of cord, pieces of hardware.
create table order_line_need (
    line_id bigint not null references order_line on delete cascade,
    article_id bigint not null references article,
    quantity bigint not null check (quantity > 0),
    primary key (line_id, article_id)
);
create index piece_uncut on piece (line_id) where cut_at is null;

-- What is promised: the needs of every piece of an accepted order that is not cut yet, whether a batch has taken it or not.
create view article_reserved as
    select n.article_id, l.order_id, p.batch_id, sum(n.quantity)::bigint as quantity
    from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
        join order_line_need n on n.line_id = l.id
    where p.cut_at is null and o.stage = 'ACCEPTED'
    group by n.article_id, l.order_id, p.batch_id;

-- What cut lists that are not confirmed yet mean to take from the free end of each holding.
create view holding_planned as
    select s.holding_id, c.batch_id, sum(t.length_um)::bigint as planned_um
    from cut_list c join cut_spool s on s.cut_list_id = c.id join cut_step t on t.cut_spool_id = s.id
    where c.confirmed_at is null and t.kind <> 'REST'
    group by s.holding_id, c.batch_id;

-- What the whole spool had when it was planned; its length is what of it was free for the list.
alter table cut_spool add column balance_um bigint;
update cut_spool set balance_um = length_um;
alter table cut_spool alter column balance_um set not null;
