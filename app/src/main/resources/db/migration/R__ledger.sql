-- What every movement does to its holding and its lot. Changing this file changes it; a change comes with a numbered
-- migration, so that older programs see that the schema went on.

-- The row lock is taken first, so that two takers are judged one after the other. It is the weaker of the two kinds, which
-- lets others refer to the holding meanwhile; see docs/locks.md. What is taken back was never taken: the full length of a
-- holding does not grow by it.
create or replace function ledger_never_below_zero() returns trigger language plpgsql as $$
declare
    had record;
begin
    select quantity, value, lot_id into had from holding where id = new.holding_id for no key update;
    if had.quantity + new.quantity < 0 or had.value + new.value < 0 then
        raise exception 'holding % has only % left', new.holding_id, had.quantity using errcode = '23514';
    end if;
    if had.quantity + new.quantity = 0 and had.value + new.value <> 0 then
        raise exception 'holding % would be empty but still worth %', new.holding_id, had.value + new.value
            using errcode = '23514';
    end if;
    update holding set quantity = quantity + new.quantity, value = value + new.value,
           full_quantity = full_quantity + case when new.reverses is null then greatest(new.quantity, 0)
                                                else least(new.quantity, 0) end,
           opened_at = case when new.movement in ('SPLIT', 'RETURN')
                                 or new.quantity < 0 and new.movement in ('CUT', 'PICK', 'BIN', 'SELL', 'ADJUST')
                            then coalesce(opened_at, new.at) else opened_at end
    where id = new.holding_id;
    update lot set quantity = quantity + new.quantity, value = value + new.value,
           received = received + case when new.movement = 'RECEIVE' then new.quantity else 0 end,
           paid = paid + case when new.movement = 'RECEIVE' then new.value else 0 end
    where id = had.lot_id;
    return new;
end $$;
