-- What a holding and a lot have and are worth: sums of the ledger, kept by the ledger itself with each movement, so that
-- very long ledgers are not added up for every look. bin/restis verify adds them up and compares.
alter table holding add column quantity bigint not null default 0;
alter table holding add column value numeric(19, 4) not null default 0;
alter table holding add column full_quantity bigint not null default 0;
alter table lot add column quantity bigint not null default 0;
alter table lot add column value numeric(19, 4) not null default 0;
alter table lot add column received bigint not null default 0;
alter table lot add column paid numeric(19, 4) not null default 0;

update holding h set quantity = s.quantity, value = s.value, full_quantity = s.full_quantity
from (select holding_id, sum(quantity) as quantity, sum(value) as value,
             sum(quantity) filter (where quantity > 0) as full_quantity
      from ledger group by holding_id) s
where s.holding_id = h.id;
update lot set quantity = s.quantity, value = s.value, received = coalesce(s.received, 0), paid = coalesce(s.paid, 0)
from (select h.lot_id, sum(l.quantity) as quantity, sum(l.value) as value,
             sum(l.quantity) filter (where l.movement = 'RECEIVE') as received,
             sum(l.value) filter (where l.movement = 'RECEIVE') as paid
      from ledger l join holding h on h.id = l.holding_id group by h.lot_id) s
where s.lot_id = lot.id;

alter table ledger drop constraint ledger_movement_check;
alter table ledger add constraint ledger_movement_check check (movement in
    ('RECEIVE', 'CUT', 'PICK', 'SPLIT', 'BIN', 'ADJUST', 'SELL', 'SEND_BACK', 'COUNT'));
-- The row that this one takes back; each is taken back once.
alter table ledger add column reverses bigint unique references ledger;

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
           full_quantity = full_quantity + greatest(new.quantity, 0)
    where id = new.holding_id;
    update lot set quantity = quantity + new.quantity, value = value + new.value,
           received = received + case when new.movement = 'RECEIVE' then new.quantity else 0 end,
           paid = paid + case when new.movement = 'RECEIVE' then new.value else 0 end
    where id = had.lot_id;
    return new;
end $$;

create or replace view holding_balance as select id as holding_id, quantity, value from holding;
create index holding_in_stock on holding (lot_id) where quantity > 0;
create index ledger_by_time on ledger (at);

-- What happened to a holding without moving stock: shelves, flaws; only added to.
create table holding_event (
    id bigint generated always as identity primary key,
    holding_id bigint not null references holding,
    at timestamptz not null,
    who text not null,
    what text not null check (what in ('MOVED', 'FLAWED', 'UNFLAWED')),
    detail text not null
);
create index holding_event_by_holding on holding_event (holding_id, id);
create function holding_event_is_append_only() returns trigger language plpgsql as $$
begin
    raise exception 'what happened to a holding is not rewritten';
end $$;
create trigger holding_event_append_only before update or delete on holding_event
    for each row execute function holding_event_is_append_only();
