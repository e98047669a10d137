-- What articles are counted in: micrometres of cord and thread, pieces, microlitres, milligrams.
alter table article add column unit text not null default 'PIECE'
    check (unit in ('METRE', 'PIECE', 'MILLILITRE', 'GRAM'));
update article set unit = 'METRE' where kind = 'CORD';
alter table article drop constraint article_kind;
alter table article add constraint article_kind check (kind in ('CORD', 'BEAD', 'SLIDE_BEAD', 'RING', 'CLASP', 'BUCKLE',
    'SHACKLE', 'CENTREPIECE', 'BUTTON', 'BREAKAWAY', 'CHARM', 'CONSUMABLE'));
alter table article add constraint article_unit check (case kind
    when 'CORD' then unit = 'METRE' when 'CONSUMABLE' then true else unit = 'PIECE' end);

-- How much of a consumable one piece takes each time the occasion arises in it.
create table consumable_use (
    article_id bigint not null references article,
    occasion text not null,
    quantity bigint not null check (quantity > 0),
    primary key (article_id, occasion)
);
alter table piece_hardware alter column quantity type bigint;

-- A join is sound, but no strand may cross it any more than a flaw.
alter table holding_flaw add column what text not null default 'FLAW' check (what in ('FLAW', 'JOIN'));
alter table holding drop constraint holding_kind_check;
alter table holding add constraint holding_kind_check check (kind in ('SPOOL', 'HANK', 'REMNANT', 'BOX'));

-- When it was first used, or its seal broken; sealed until then.
alter table holding add column opened_at timestamptz;
update holding h set opened_at = (
    select min(l.at) from ledger l
    where l.holding_id = h.id and (l.quantity < 0 and l.movement in ('CUT', 'PICK', 'SPLIT', 'BIN', 'SELL', 'ADJUST')
                                   or l.quantity > 0 and l.movement = 'SPLIT'));
alter table holding_event drop constraint holding_event_what_check;
alter table holding_event add constraint holding_event_what_check check (what in
    ('MOVED', 'FLAWED', 'JOINED', 'UNFLAWED', 'OPENED'));

-- Takes the holding's row lock first, so that two takers are judged one after the other.
create or replace function ledger_never_below_zero() returns trigger language plpgsql as $$
declare
    had record;
begin
    select quantity, value, lot_id into had from holding where id = new.holding_id for update;
    if had.quantity + new.quantity < 0 or had.value + new.value < 0 then
        raise exception 'holding % has only % left', new.holding_id, had.quantity using errcode = '23514';
    end if;
    if had.quantity + new.quantity = 0 and had.value + new.value <> 0 then
        raise exception 'holding % would be empty but still worth %', new.holding_id, had.value + new.value
            using errcode = '23514';
    end if;
    update holding set quantity = quantity + new.quantity, value = value + new.value,
           full_quantity = full_quantity + greatest(new.quantity, 0),
           opened_at = case when new.movement = 'SPLIT'
                                 or new.quantity < 0 and new.movement in ('CUT', 'PICK', 'BIN', 'SELL', 'ADJUST')
                            then coalesce(opened_at, new.at) else opened_at end
    where id = new.holding_id;
    update lot set quantity = quantity + new.quantity, value = value + new.value,
           received = received + case when new.movement = 'RECEIVE' then new.quantity else 0 end,
           paid = paid + case when new.movement = 'RECEIVE' then new.value else 0 end
    where id = had.lot_id;
    return new;
end $$;
