-- The orders that each stage of the morning begins with, by the day they must leave.
create index customer_order_to_make on customer_order ((coalesce(due, date '9999-12-31')), id)
    where made < cut and stage = 'ACCEPTED';
create index customer_order_to_cut on customer_order ((coalesce(due, date '9999-12-31')), id)
    where cut < planned and stage = 'ACCEPTED';
create index customer_order_to_plan on customer_order ((coalesce(due, date '9999-12-31')), id)
    where planned < pieces and stage = 'ACCEPTED';
-- What waits for somebody's word.
create index bench_piece_held_up on bench_piece (piece_id) where held_up;
create index customer_order_quoted on customer_order (id) where stage = 'QUOTED';
