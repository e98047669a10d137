-- A piece that cannot be saved is made anew: the new one is a piece of the same line and names the one whose place it takes.
alter table piece add column replaces bigint unique references piece;
