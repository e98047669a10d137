-- Orders, lines and pieces are numbered fifty at a time, so that very many of them are written in few statements. A number
-- that is drawn stands for itself and the 49 after it.
create function numbered_by_fifty(counted text) returns void language plpgsql as $$
declare
    first bigint;
begin
    execute format('select coalesce(max(id), 0) + 1 from %I', counted) into first;
    execute format('alter table %I alter column id drop identity', counted);
    execute format('create sequence %I increment by 50 start with %s owned by %I.id', counted || '_number', first, counted);
    execute format('alter table %I alter column id set default nextval(%L)', counted, counted || '_number');
end $$;
select numbered_by_fifty('customer_order'), numbered_by_fifty('order_line'), numbered_by_fifty('piece');
drop function numbered_by_fifty(text);
