-- What is promised by day is read without those orders that are done.
drop index customer_order_open_work;
create index customer_order_open_work on customer_order (due) include (id, making_left_s, pieces, planned)
    where stage = 'ACCEPTED' and making_left_s > 0;

-- What pieces need is counted by line, less what is cut already of those that were begun: a cut looks at those alone.
create or replace view article_needed as
    select article_id, order_id, batch_id, sum(quantity)::bigint as quantity
    from (select n.article_id, l.order_id, p.batch_id, n.quantity * p.uncut as quantity
          from order_line l join customer_order o on o.id = l.order_id join order_line_need n on n.line_id = l.id
              cross join lateral (select batch_id, count(*) as uncut from piece where line_id = l.id and cut_at is null
                                  group by batch_id) p
          where o.stage = 'ACCEPTED'
          union all
          select n.article_id, l.order_id, p.batch_id, -least(n.quantity, c.cut_um)
          from piece p join piece_actual a on a.piece_id = p.id join order_line l on l.id = p.line_id
              join customer_order o on o.id = l.order_id join order_line_need n on n.line_id = l.id
              join lateral (select sum(s.cut_um) as cut_um from strand s join cut_step t on t.strand_id = s.id
                            where s.piece_id = p.id and s.article_id = n.article_id and t.done_at is not null) c
                  on c.cut_um is not null
          where p.cut_at is null and p.batch_id is not null and o.stage = 'ACCEPTED') needed
    group by article_id, order_id, batch_id
    having sum(quantity) > 0;
