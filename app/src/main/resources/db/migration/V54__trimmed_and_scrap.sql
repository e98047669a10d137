-- What of a piece's cord did not stay in it: its tails, of which what was trimmed is known once somebody logged it, and what is scrap.
alter table piece_actual add column trimmed numeric(19, 4) not null default 0;
alter table piece_actual add column scrap numeric(19, 4) not null default 0;
alter table piece_actual add check (trimmed >= 0 and scrap >= 0 and trimmed + scrap <= tails);
-- The movement with which a strand was cut anew: what was cut for it before is scrap.
alter table strand add column anew_from bigint;
