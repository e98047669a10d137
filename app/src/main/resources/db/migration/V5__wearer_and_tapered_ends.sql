-- Whom a piece is for, and whether its strands' ends are tapered so that a bead takes them.
alter table order_line add column wearer text not null default 'ADULT' check (wearer in ('ADULT', 'CHILD', 'UNDER_THREE'));
alter table order_line add column tapered boolean not null default false;
