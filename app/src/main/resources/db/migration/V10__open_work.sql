-- What is still to be made of an order, seconds; kept with its counts, so that the queue is a sum over open orders alone.
alter table customer_order add column making_left_s bigint not null default 0;
update customer_order o set making_left_s = c.left_s
from (select l.order_id, sum(l.making_s) as left_s from order_line l join piece p on p.line_id = l.id
      where p.made_at is null group by l.order_id) c
where c.order_id = o.id;
create index customer_order_open_work on customer_order (due) include (making_left_s, pieces, planned)
    where stage = 'ACCEPTED' and making_left_s > 0;
drop index customer_order_by_due;
create index customer_order_by_due on customer_order ((coalesce(due, date '9999-12-31')), id);
