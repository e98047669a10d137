-- A cut list serves one batch or several.
create table cut_list_batch (
    cut_list_id bigint not null references cut_list on delete cascade,
    batch_id bigint not null references batch,
    primary key (cut_list_id, batch_id)
);
create index cut_list_batch_batch on cut_list_batch (batch_id);
insert into cut_list_batch (cut_list_id, batch_id) select id, batch_id from cut_list;
drop view holding_planned;
drop index one_open_cut_list;
alter table cut_list drop column batch_id;

-- Every cut is booked by itself.
alter table cut_step add column done_at timestamptz;
alter table cut_step add column done_by text;
update cut_step t set done_at = c.confirmed_at, done_by = coalesce(c.confirmed_by, '')
from cut_spool s join cut_list c on c.id = s.cut_list_id
where s.id = t.cut_spool_id and c.confirmed_at is not null;
alter table cut_step add check ((done_at is null) = (done_by is null));
-- A strand that was cut for a piece that was given up later is nobody's any more.
alter table cut_step drop constraint cut_step_strand_id_fkey;
alter table cut_step add constraint cut_step_strand_id_fkey foreign key (strand_id) references strand on delete set null;
-- Never the same cut twice.
create unique index cut_step_once on cut_step (strand_id) where done_at is not null;
create index cut_step_strand on cut_step (strand_id);
-- Steps are put between others, and spools in another order.
alter table cut_step drop constraint cut_step_cut_spool_id_number_key;
alter table cut_step add constraint cut_step_cut_spool_id_number_key unique (cut_spool_id, number) deferrable initially deferred;
alter table cut_spool drop constraint cut_spool_cut_list_id_number_key;
alter table cut_spool add constraint cut_spool_cut_list_id_number_key unique (cut_list_id, number) deferrable initially deferred;

-- Who has a spool in hand, and what the cord counter showed at the last cut.
alter table cut_spool add column in_hand_of text;
alter table cut_spool add column counter_um bigint;

-- The cut that a movement belongs to; proposals come and go, so there is no such row for each.
alter table ledger add column cut_step_id bigint;
create index ledger_by_cut on ledger (cut_step_id) where cut_step_id is not null;

-- What a list threw away when no piece was left to bear it.
alter table cut_list add column waste_alone numeric(19, 4) not null default 0;

-- What the bench wants of a plan.
create table cut_pin (
    cut_list_id bigint not null references cut_list on delete cascade,
    piece_id bigint not null references piece on delete cascade,
    holding_id bigint not null references holding,
    primary key (cut_list_id, piece_id, holding_id)
);
create table cut_forbidden (
    cut_list_id bigint not null references cut_list on delete cascade,
    holding_id bigint not null references holding,
    primary key (cut_list_id, holding_id)
);

-- What was cut for a piece that was given up lies on the shelf again, at its length.
alter table holding drop constraint holding_kind_check;
alter table holding add constraint holding_kind_check check (kind in ('SPOOL', 'HANK', 'REMNANT', 'CUT', 'BOX'));
alter table ledger drop constraint ledger_movement_check;
alter table ledger add constraint ledger_movement_check check (movement in
    ('RECEIVE', 'CUT', 'PICK', 'SPLIT', 'BIN', 'ADJUST', 'SELL', 'SEND_BACK', 'COUNT', 'RETURN'));

-- What cut lists mean to take from the free end of each holding and have not taken yet.
create view holding_planned as
    select s.holding_id, s.cut_list_id, sum(t.length_um)::bigint as planned_um
    from cut_spool s join cut_step t on t.cut_spool_id = s.id
    where t.done_at is null and t.kind <> 'REST'
    group by s.holding_id, s.cut_list_id;
create index cut_step_to_do on cut_step (cut_spool_id) where done_at is null;

-- What is cut for a piece is promised no more, even while others of its strands are.
create or replace view article_needed as
    select n.article_id, l.order_id, p.batch_id, sum(greatest(n.quantity - coalesce(c.cut_um, 0), 0))::bigint as quantity
    from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
        join order_line_need n on n.line_id = l.id
        left join lateral (select sum(s.cut_um) as cut_um from strand s join cut_step t on t.strand_id = s.id
                           where p.batch_id is not null and s.piece_id = p.id and s.article_id = n.article_id
                                 and t.done_at is not null) c on true
    where p.cut_at is null and o.stage = 'ACCEPTED'
    group by n.article_id, l.order_id, p.batch_id
    having sum(greatest(n.quantity - coalesce(c.cut_um, 0), 0)) > 0;

-- The cuts of before, as far as their rows tell: a note beside the movement, the movement itself stays.
alter table ledger disable trigger ledger_append_only;
update ledger g set cut_step_id = t.id from cut_step t
where g.strand_id = t.strand_id and g.movement = 'CUT' and t.done_at is not null;
update ledger g set cut_step_id = (
    select min(t.id) from cut_step t join cut_spool s on s.id = t.cut_spool_id join cut_list_batch b on b.cut_list_id = s.cut_list_id
    where b.batch_id = g.batch_id and s.holding_id = g.holding_id and t.kind <> 'STRAND' and t.length_um = -g.quantity
          and t.done_at is not null)
where g.movement in ('BIN', 'SPLIT') and g.batch_id is not null;
alter table ledger enable trigger ledger_append_only;

-- What is taken back was never taken: the full length of a holding does not grow by it.
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

-- How long plans are bettered after the first.
alter table workshop add column plan_seconds int not null default 5 check (plan_seconds between 0 and 120);
-- How many cuts were made when the plan was: what is said of it holds for the rest.
-- What was done to a list, counted, so that a better plan does not replace what somebody has begun.
alter table cut_list add column revision int not null default 0;
alter table cut_list add column planned_after int not null default 0;
