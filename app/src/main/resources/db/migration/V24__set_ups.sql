-- What planning groups lines by, kept with the line when it is taken: its pattern with its cords in their slots, the gauge of the
-- cord that is tied, what one piece takes of cord, and whether it can be made. Lines of before get theirs at the next start.
alter table order_line add column set_up text not null default '';
alter table order_line add column gauge_um bigint not null default 0 check (gauge_um >= 0);
alter table order_line add column cord_um bigint not null default 0 check (cord_um >= 0);
alter table order_line add column verdict text not null default 'UNKNOWN' check (verdict in ('GOOD', 'TIGHT', 'NO', 'UNKNOWN'));
create index piece_open on piece (line_id) where batch_id is null;
