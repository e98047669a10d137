-- What movements do to their holdings and lots. Changing this file changes it; a change comes with a numbered migration, so
-- that older programs see that the schema went on.

-- Summed for all rows of a statement, since a row that is written again for each of a thousand movements grows slower with
-- each. Holdings are locked first, so that two takers are judged one after the other; by the weaker of the two kinds of lock,
-- which lets others refer to the holding meanwhile, see docs/locks.md. No movement may leave less than nothing, not even until
-- the next row. What is taken back was never taken: the full length of a holding does not grow by it.
create or replace function ledger_moved() returns trigger language plpgsql as $$
declare
    bad record;
begin
    perform 1 from holding where id in (select holding_id from moved) order by id for no key update;
    select h.id, h.quantity, h.value + m.value as value, h.quantity + m.quantity < 0 or h.value + m.value < 0 as short into bad
    from (select id, holding_id, sum(quantity) over (partition by holding_id order by id) as quantity,
                 sum(value) over (partition by holding_id order by id) as value from moved) m
        join holding h on h.id = m.holding_id
    where h.quantity + m.quantity < 0 or h.value + m.value < 0 or h.quantity + m.quantity = 0 and h.value + m.value <> 0
    order by m.id limit 1;
    if found and bad.short then
        raise exception 'holding % has only % left', bad.id, bad.quantity using errcode = '23514';
    end if;
    if found then
        raise exception 'holding % would be empty but still worth %', bad.id, bad.value using errcode = '23514';
    end if;
    update holding h set quantity = h.quantity + m.quantity, value = h.value + m.value,
           full_quantity = h.full_quantity + m.full_quantity, opened_at = coalesce(h.opened_at, m.opened_at)
    from (select holding_id, sum(quantity) as quantity, sum(value) as value,
                 sum(case when reverses is null then greatest(quantity, 0) else least(quantity, 0) end) as full_quantity,
                 min(at) filter (where movement in ('SPLIT', 'RETURN', 'LEFT') or quantity < 0
                                     and movement in ('CUT', 'PICK', 'BIN', 'SELL', 'ADJUST')) as opened_at
          from moved group by holding_id) m
    where h.id = m.holding_id;
    update lot l set quantity = l.quantity + m.quantity, value = l.value + m.value, received = l.received + m.received,
           paid = l.paid + m.paid
    from (select h.lot_id, sum(n.quantity) as quantity, sum(n.value) as value,
                 coalesce(sum(n.quantity) filter (where n.movement = 'RECEIVE'), 0) as received,
                 coalesce(sum(n.value) filter (where n.movement = 'RECEIVE'), 0) as paid
          from moved n join holding h on h.id = n.holding_id group by h.lot_id) m
    where l.id = m.lot_id;
    return null;
end $$;

drop trigger if exists ledger_floor on ledger;
create trigger ledger_floor after insert on ledger referencing new table as moved
    for each statement execute function ledger_moved();
drop function if exists ledger_never_below_zero();
