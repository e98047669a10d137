-- Much data: %1$d orders of one line, copies of the demo's; five orders' holdings for ten of them, and ten movements for each.
-- One order in twenty is open; of those one in ten waits in a batch that is not cut. All others are cut, twenty to a batch.
create temp table model as select row_number() over (order by id) - 1 as n, * from order_line;
insert into customer (name, search, created_at)
    select 'Customer ' || i, 'customer ' || i, cast(current_date - 350 as timestamptz) from generate_series(0, 8999) i
    on conflict do nothing;
insert into customer_order (source, reference, customer, customer_id, due, created_at, created_by, stage, state, pieces, planned,
        cut, made, dispatched, search, making_left_s)
    select 'LOAD', 'L-' || i, 'Customer ' || i %% 9000, c.id, current_date - 350 + i %% 400,
           cast(current_date - 350 as timestamptz) + i * interval '5 minutes', 'Tove', 'ACCEPTED',
           case when i %% 200 = 0 then 'PLANNED' when i %% 20 = 0 then 'ACCEPTED' else 'DISPATCHED' end, m.quantity,
           case when i %% 20 = 0 and i %% 200 > 0 then 0 else m.quantity end,
           case when i %% 20 = 0 then 0 else m.quantity end, case when i %% 20 = 0 then 0 else m.quantity end,
           case when i %% 20 = 0 then 0 else m.quantity end,
           lower('L-' || i || ' customer ' || i %% 9000 || ' ' || m.pattern || ' ' || m.note || ' ' || (
               select string_agg(a.code || ' ' || a.name, ' ') from order_line_colour c
               join article a on a.id = c.article_id where c.line_id = m.id)),
           case when i %% 20 = 0 then m.making_s * m.quantity else 0 end
    from generate_series(1, %1$d) i join model m on m.n = i %% (select count(*) from model)
        join customer c on c.name = 'Customer ' || i %% 9000 order by i;
create temp table made as
    select o.id as order_id, cast(substr(o.reference, 3) as int) as i, m.id as model,
           nextval(pg_get_serial_sequence('order_line', 'id')) as id
    from customer_order o join model m on m.n = cast(substr(o.reference, 3) as int) %% (select count(*) from model)
    where o.source = 'LOAD';
insert into order_line (id, order_id, number, pattern, pattern_version, size_name, wrist_um, hand_um, hand_assumed,
        ease, length_um, units, quantity, note, kit, wearer, tapered, matching, making_s, set_up, gauge_um, cord_um, verdict)
    select d.id, d.order_id, 1, m.pattern, m.pattern_version, m.size_name, m.wrist_um, m.hand_um, m.hand_assumed,
           m.ease, m.length_um, m.units, m.quantity, m.note, m.kit, m.wearer, m.tapered, m.matching, m.making_s,
           m.set_up, m.gauge_um, m.cord_um, m.verdict
    from made d join order_line m on m.id = d.model;
insert into order_line_colour (line_id, slot, article_id)
    select d.id, c.slot, c.article_id from made d join order_line_colour c on c.line_id = d.model;
insert into order_line_part (line_id, slot, article_id, count)
    select d.id, p.slot, p.article_id, p.count from made d join order_line_part p on p.line_id = d.model;
insert into order_line_need (line_id, article_id, quantity)
    select d.id, n.article_id, n.quantity from made d join order_line_need n on n.line_id = d.model;
insert into batch (name, created_at, created_by)
    select 'Load ' || b, cast(current_date - 350 as timestamptz) + b * interval '100 minutes', 'Tove'
    from generate_series(0, %1$d / 20) b order by b;
insert into batch (name, created_at, created_by)
    select 'Uncut ' || b, cast(current_date - 30 as timestamptz), 'Tove' from generate_series(0, %1$d / 2000) b order by b;
insert into piece (line_id, number, batch_id, stage)
    select l.id, n, b.id, (case when d.i %% 20 > 0 then 'SENT' when b.id is not null then 'PLANNED' else 'OPEN' end)::piecestage
    from made d join order_line l on l.id = d.id cross join generate_series(1, l.quantity) n
        left join batch b on b.name = case when d.i %% 20 > 0 then 'Load ' || d.i / 20
                                           when d.i %% 200 = 0 then 'Uncut ' || d.i / 2000 end
    order by d.i, n;
-- The application that runs has numbers in hand that it has not given yet: these begin behind them.
insert into piece_event (id, piece_id, act, at, who, batch_id)
    select (select coalesce(max(id), 0) + 100 from piece_event) + row_number() over (order by p.id, a.n), p.id, a.act,
           cast(current_date - 349 as timestamptz) + d.i * interval '5 minutes', 'Tove', case when a.act = 'PLAN' then p.batch_id end
    from made d join piece p on p.line_id = d.id
        join (values (1, 'PLAN'), (2, 'CUT'), (3, 'FINISH'), (4, 'SEND')) a (n, act) on p.stage = 'SENT' or p.stage = 'PLANNED' and a.n = 1;
select setval('piece_event_number', (select max(id) + 1 from piece_event), false);
update order_line l set open = c.open, open_due = c.due
    from (select l.id, count(*) as open, coalesce(o.due, '9999-12-31') as due
          from made d join order_line l on l.id = d.id join customer_order o on o.id = l.order_id join piece p on p.line_id = l.id
          where p.batch_id is null group by l.id, o.id) c
    where c.id = l.id;
insert into piece_estimate (piece_id, used, tails, hardware)
    select p.id, 0.8, 0.1, 0.3 from piece p join made d on d.id = p.line_id where p.batch_id is not null;
insert into piece_actual (piece_id, used, tails, waste, hardware)
    select p.id, 0.82, 0.09, 0.05, 0.3 from piece p join made d on d.id = p.line_id where p.stage >= 'CUT';
insert into article_reserved (order_id, article_id, batch_id, quantity)
    select n.order_id, n.article_id, n.batch_id, n.quantity
    from article_needed n join customer_order o on o.id = n.order_id where o.source = 'LOAD';

set session_replication_role = replica;
insert into supplier (name, lead_days, minimum, note) values ('Load mill', 10, 50, '');
insert into article (code, kind, unit, name, colour, material, diameter_um, keep_um)
    select 'W' || lpad(i::text, 4, '0'), 'CORD', 'METRE', (array['Blue', 'Green', 'Red', 'Grey', 'Gold'])[1 + i %% 5] || ' ' || i,
           '#' || lpad(to_hex((i * 7919) %% 16777216), 6, '0'), 'polyester', 2000, 300000
    from generate_series(1, greatest(%1$d / 80, 20)) i;
insert into put_up (article_id, supplier_id, quantity, price)
    select a.id, s.id, u.metres * 1000000, u.price
    from article a cross join supplier s cross join (values (50, 6.5), (100, 11.9)) u (metres, price)
    where a.code like 'W%%' and s.name = 'Load mill';
insert into lot (article_id, code, received_on)
    select a.id, 'L' || n, current_date - 350 + n from article a cross join generate_series(1, 8) n where a.code like 'W%%';
insert into holding (lot_id, kind, label, shelf)
    select lot.id, case when n > 2 then 'REMNANT' else 'SPOOL' end, 'W' || lot.id || '-' || n, 'W' || lot.id %% 40
    from lot cross join generate_series(1, 5) n where lot.code like 'L%%' order by lot.id, n limit %1$d / 2;
-- Every list cuts some spools, each in nineteen steps; each step is a movement.
create temp table cut as
    select h.id as holding, row_number() over (order by h.id) - 1 as n from holding h where h.label like 'W%%';
insert into cut_list (created_at, confirmed_at, confirmed_by, cost, bound, plain, complete)
    select b.created_at, b.created_at + interval '1 hour', 'Tove', 10, 9.9, 12, true
    from batch b where b.name like 'Load %%' order by b.id;
create temp table lists as
    select c.id, row_number() over (order by c.id) - 1 as n from cut_list c where c.confirmed_by = 'Tove' and c.plain = 12;
insert into cut_list_batch (cut_list_id, batch_id)
    select l.id, b.id from lists l join batch b on b.name = 'Load ' || l.n;
insert into cut_spool (cut_list_id, number, holding_id, length_um, balance_um)
    select l.id, 1 + c.n / (select count(*) from lists), c.holding, 100000000, 100000000
    from cut c join lists l on l.n = c.n %% (select count(*) from lists) order by l.id, c.n;
insert into cut_step (cut_spool_id, number, kind, length_um, keep, done_at, done_by)
    select s.id, k, case when k = 19 then 'OFFCUT' else 'STRAND' end, 4000000, false,
           c.created_at + k * interval '1 minute', 'Tove'
    from cut_spool s join lists l on l.id = s.cut_list_id join cut_list c on c.id = l.id cross join generate_series(1, 19) k
    order by s.id, k;
insert into ledger (at, who, movement, holding_id, quantity, value, reason)
    select cast(current_date - 350 as timestamptz), 'Tove', 'RECEIVE', holding, 100000000, 15, '' from cut order by n;
insert into ledger (at, who, movement, holding_id, quantity, value, reason, cut_step_id)
    select t.done_at, 'Tove', case when t.number = 19 then 'BIN' else 'CUT' end, s.holding_id, -4000000, -0.6, '', t.id
    from cut_step t join cut_spool s on s.id = t.cut_spool_id join lists l on l.id = s.cut_list_id order by t.done_at, t.id;
update holding set quantity = 24000000, value = 3.6, full_quantity = 100000000 where label like 'W%%';
update lot set quantity = s.quantity, value = s.value, received = s.full_quantity, paid = s.n * 15
    from (select lot_id, sum(quantity) as quantity, sum(value) as value, sum(full_quantity) as full_quantity,
                 count(*) as n from holding where label like 'W%%' group by lot_id) s
    where s.lot_id = lot.id;
insert into usage_day (day, article_id, quantity)
    select cast(l.at as date), lot.article_id, -sum(l.quantity)
    from ledger l join holding h on h.id = l.holding_id join lot on lot.id = h.lot_id where l.movement = 'CUT'
        and l.at < current_date - 1 group by 1, 2 on conflict do nothing;
-- Beads come in boxes; two hundred are empty by now.
insert into lot (article_id, code, received_on, quantity, value, received, paid)
    select a.id, 'OLD' || n, current_date - 350, 0, 0, 100, 1 from article a cross join generate_series(1, 200) n where a.code = 'HB9';
insert into holding (lot_id, kind, label, shelf, quantity, value, full_quantity)
    select lot.id, 'BOX', 'OLD-' || lot.id, '', 0, 0, 100 from lot where lot.code like 'OLD%%';
set session_replication_role = origin;
analyze;
