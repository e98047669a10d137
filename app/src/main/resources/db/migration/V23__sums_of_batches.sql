-- What the pieces of each batch come to, kept with the batch, so that neither lists of batches nor totals of cost go through
-- every piece that was ever made. Triggers keep it in step with the pieces, one statement at a time; bin/restis verify adds it up.
alter table batch add column pieces int not null default 0;
alter table batch add column cut int not null default 0;
alter table batch add column estimated_used numeric(19, 4) not null default 0;
alter table batch add column estimated_tails numeric(19, 4) not null default 0;
alter table batch add column estimated_hardware numeric(19, 4) not null default 0;
alter table batch add column used numeric(19, 4) not null default 0;
alter table batch add column tails numeric(19, 4) not null default 0;
alter table batch add column waste numeric(19, 4) not null default 0;
alter table batch add column hardware numeric(19, 4) not null default 0;

create view batch_sums as
    select b.id, count(p.id)::int as pieces, count(p.cut_at)::int as cut,
           coalesce(sum(e.used), 0) as estimated_used, coalesce(sum(e.tails), 0) as estimated_tails,
           coalesce(sum(e.hardware), 0) as estimated_hardware,
           coalesce(sum(a.used), 0) as used, coalesce(sum(a.tails), 0) as tails, coalesce(sum(a.waste), 0) as waste,
           coalesce(sum(a.hardware), 0) as hardware
    from batch b left join piece p on p.batch_id = b.id
        left join piece_estimate e on e.piece_id = p.id left join piece_actual a on a.piece_id = p.id
    group by b.id;

update batch b set pieces = s.pieces, cut = s.cut,
    estimated_used = s.estimated_used, estimated_tails = s.estimated_tails, estimated_hardware = s.estimated_hardware,
    used = s.used, tails = s.tails, waste = s.waste, hardware = s.hardware
from batch_sums s where s.id = b.id;

create function batch_add(of_batch bigint, n int, c int, eu numeric, et numeric, eh numeric, u numeric, t numeric, w numeric, h numeric)
    returns void language sql as $$
    update batch set pieces = pieces + n, cut = cut + c, estimated_used = estimated_used + eu, estimated_tails = estimated_tails + et,
        estimated_hardware = estimated_hardware + eh, used = used + u, tails = tails + t, waste = waste + w, hardware = hardware + h
    where id = of_batch;
$$;

-- A piece that changes its batch takes with it what it costs.
create function piece_counted() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, d.n::int, d.c::int, d.eu, d.et, d.eh, d.u, d.t, d.w, d.h)
    from (select m.batch_id, sum(m.sign) as n, sum(m.sign * m.is_cut) as c,
                 coalesce(sum(m.sign * e.used), 0) as eu, coalesce(sum(m.sign * e.tails), 0) as et,
                 coalesce(sum(m.sign * e.hardware), 0) as eh,
                 coalesce(sum(m.sign * a.used), 0) as u, coalesce(sum(m.sign * a.tails), 0) as t,
                 coalesce(sum(m.sign * a.waste), 0) as w, coalesce(sum(m.sign * a.hardware), 0) as h
          from (select id, batch_id, (cut_at is not null)::int as is_cut, 1 as sign from is_now
                union all select id, batch_id, (cut_at is not null)::int, -1 from was_before) m
              left join piece_estimate e on e.piece_id = m.id left join piece_actual a on a.piece_id = m.id
          where m.batch_id is not null
          group by m.batch_id order by m.batch_id) d
    where d.n <> 0 or d.c <> 0;
    return null;
end $$;
create trigger piece_counted after update on piece referencing old table as was_before new table as is_now
    for each statement execute function piece_counted();

create function piece_gone() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, -d.n::int, -d.c::int, 0, 0, 0, 0, 0, 0, 0)
    from (select batch_id, count(*) as n, count(cut_at) as c from was_before where batch_id is not null
          group by batch_id order by batch_id) d;
    return null;
end $$;
create trigger piece_gone after delete on piece referencing old table as was_before
    for each statement execute function piece_gone();

create function piece_come() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, d.n::int, d.c::int, 0, 0, 0, 0, 0, 0, 0)
    from (select batch_id, count(*) as n, count(cut_at) as c from is_now where batch_id is not null
          group by batch_id order by batch_id) d;
    return null;
end $$;
create trigger piece_come after insert on piece referencing new table as is_now
    for each statement execute function piece_come();

-- What pieces cost, and what they were thought to cost.
create function actual_come() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, 0, 0, 0, 0, 0, d.u, d.t, d.w, d.h)
    from (select p.batch_id, sum(c.used) as u, sum(c.tails) as t, sum(c.waste) as w, sum(c.hardware) as h
          from is_now c join piece p on p.id = c.piece_id where p.batch_id is not null
          group by p.batch_id order by p.batch_id) d;
    return null;
end $$;
create function actual_gone() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, 0, 0, 0, 0, 0, -d.u, -d.t, -d.w, -d.h)
    from (select p.batch_id, sum(c.used) as u, sum(c.tails) as t, sum(c.waste) as w, sum(c.hardware) as h
          from was_before c join piece p on p.id = c.piece_id where p.batch_id is not null
          group by p.batch_id order by p.batch_id) d;
    return null;
end $$;
create trigger actual_come after insert on piece_actual referencing new table as is_now
    for each statement execute function actual_come();
create trigger actual_gone after delete on piece_actual referencing old table as was_before
    for each statement execute function actual_gone();
create trigger actual_was after update on piece_actual referencing old table as was_before
    for each statement execute function actual_gone();
create trigger actual_is after update on piece_actual referencing new table as is_now
    for each statement execute function actual_come();

create function estimate_come() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, 0, 0, d.u, d.t, d.h, 0, 0, 0, 0)
    from (select p.batch_id, sum(c.used) as u, sum(c.tails) as t, sum(c.hardware) as h
          from is_now c join piece p on p.id = c.piece_id where p.batch_id is not null
          group by p.batch_id order by p.batch_id) d;
    return null;
end $$;
create function estimate_gone() returns trigger language plpgsql as $$
begin
    perform batch_add(d.batch_id, 0, 0, -d.u, -d.t, -d.h, 0, 0, 0, 0)
    from (select p.batch_id, sum(c.used) as u, sum(c.tails) as t, sum(c.hardware) as h
          from was_before c join piece p on p.id = c.piece_id where p.batch_id is not null
          group by p.batch_id order by p.batch_id) d;
    return null;
end $$;
create trigger estimate_come after insert on piece_estimate referencing new table as is_now
    for each statement execute function estimate_come();
create trigger estimate_gone after delete on piece_estimate referencing old table as was_before
    for each statement execute function estimate_gone();

-- Batches that have something left to cut come first, the newest of each first; keyset.
create index batch_to_cut on batch ((cut = pieces), id desc) where pieces > 0;
-- The few pieces that are begun: what they cost so far is told apart from what is cut.
create index piece_in_cutting on piece (batch_id) where batch_id is not null and cut_at is null;
drop index piece_by_batch;
create index piece_by_batch on piece (batch_id, id) where batch_id is not null;
-- The books' receipts, and what left the shelves for no piece, without going through every cut.
create index ledger_received on ledger (value) where movement = 'RECEIVE';
create index ledger_for_no_piece on ledger (value)
    where movement in ('BIN', 'ADJUST', 'SELL', 'SEND_BACK', 'COUNT') and batch_id is null and cut_step_id is null;
