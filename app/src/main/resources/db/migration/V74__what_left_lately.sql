-- What sells is read off what was sent in ninety days.
create index piece_event_sent on piece_event (at) include (piece_id) where act = 'SEND';
create index customer_order_for_shelf on customer_order (id) where for_shelf;
