-- The true diameter of a lot, where somebody measured it; articles of one name differ.
alter table lot add column measured_um bigint check (measured_um between 300 and 12000);

-- Pieces that must match are of one lot; all matching lines of an order are one set.
alter table order_line add column matching boolean not null default false;
-- How long one piece should take to make, kept when the line is taken so that the queue is a sum.
alter table order_line add column making_s int not null default 900 check (making_s >= 0);
alter table order_line alter column making_s drop default;
create index piece_uncut on piece (line_id) where cut_at is null;

-- Minutes that the whole workshop is at the bench, by day of the week (1 is Monday).
create table open_minutes (
    day int primary key check (day between 1 and 7),
    minutes int not null check (minutes between 0 and 6000)
);
insert into open_minutes values (1, 240), (2, 240), (3, 240), (4, 240), (5, 240), (6, 0), (7, 0);
