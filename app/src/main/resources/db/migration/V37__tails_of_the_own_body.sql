-- When a strand is tied: the tails of a body are there for what closes the same piece.
-- Strands that are not cut are worked out anew by the version of the formulas; BODY is what all were taken for.
alter table strand add column stage text not null default 'BODY' check (stage in ('BODY', 'CLOSED_OVER', 'CLOSING'));

-- What is marked on a strand, and from which end.
alter table strand rename column fold_um to mark_um;
alter table strand add column mark text check (mark in ('MIDDLE', 'SHORT_LEG', 'FIRST_KNOT'));
update strand set mark = case when 2 * mark_um = cut_um then 'MIDDLE' else 'SHORT_LEG' end where mark_um is not null;
alter table strand add constraint strand_marked check ((mark is null) = (mark_um is null));

-- A tail that should have served was too short: the strand is cut after all.
alter table strand add column tail_short_at timestamptz;
alter table strand add column tail_short_by text;
alter table strand add constraint strand_tail_short check ((tail_short_at is null) = (tail_short_by is null));
