-- The chance that any strand of a piece runs short, as it was when the piece was planned: what reports hold against what happened.
alter table piece_estimate add column risk double precision check (risk between 0 and 1);

-- As Hibernate compares them.
alter table observation alter column features type varchar[];
