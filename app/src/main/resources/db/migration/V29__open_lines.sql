-- How many pieces of a line are open, and the day they are wanted, kept with the line whenever its order's counts are: the plan is
-- read in the order of an index, whatever was ever made.
alter table order_line add column open int not null default 0;
alter table order_line add column open_due date not null default '9999-12-31';
update order_line l set open = c.open, open_due = c.due
from (select l.id, count(*) as open, coalesce(o.due, '9999-12-31') as due
      from customer_order o join order_line l on l.order_id = o.id join piece p on p.line_id = l.id
      where o.stage = 'ACCEPTED' and p.batch_id is null group by l.id, o.id) c
where c.id = l.id;
create index order_line_open on order_line (set_up, open_due, order_id, number) include (id, open, cord_um, gauge_um) where open > 0;

-- The day may be agreed after the pieces were counted.
create function order_due_moved() returns trigger language plpgsql as $$
begin
    update order_line set open_due = coalesce(new.due, '9999-12-31') where order_id = new.id;
    return null;
end $$;
create trigger order_due_moved after update of due on customer_order
    for each row when (old.due is distinct from new.due) execute function order_due_moved();
