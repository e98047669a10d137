-- A piece that was taken from the shelf is as it is, in a line of its own; this is the line whose price it is sold for.
alter table order_line add column instead_of int;
