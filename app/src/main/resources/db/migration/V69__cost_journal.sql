-- What pieces cost, change by change: what one cost in a month that is over stays as it was, and what is set right later counts when it is.
-- Cord that a cut list threw away while no piece was there to bear it stands with the list.
create sequence piece_cost_number increment by 50;
create table piece_cost (
    id bigint primary key,
    piece_id bigint references piece on delete cascade,
    cut_list_id bigint references cut_list on delete cascade,
    at timestamptz not null,
    used numeric(19, 4) not null,
    tails numeric(19, 4) not null,
    waste numeric(19, 4) not null,
    hardware numeric(19, 4) not null,
    trimmed numeric(19, 4) not null,
    scrap numeric(19, 4) not null,
    check ((piece_id is null) <> (cut_list_id is null))
);
create index piece_cost_at on piece_cost (at);
create index piece_cost_of_piece on piece_cost (piece_id, at) where piece_id is not null;
create index piece_cost_of_list on piece_cost (cut_list_id) where cut_list_id is not null;

insert into piece_cost (id, piece_id, at, used, tails, waste, hardware, trimmed, scrap)
select nextval('piece_cost_number'), a.piece_id,
       coalesce((select min(e.at) from piece_event e where e.piece_id = a.piece_id and e.act in ('CUT_INTO', 'CUT')), now()),
       a.used, a.tails, a.waste, a.hardware, a.trimmed, a.scrap
from piece_actual a where (a.used, a.tails, a.waste, a.hardware) <> (0, 0, 0, 0) order by a.piece_id;
insert into piece_cost (id, cut_list_id, at, used, tails, waste, hardware, trimmed, scrap)
select nextval('piece_cost_number'), c.id, c.created_at, 0, 0, c.waste_alone, 0, 0, 0 from cut_list c where c.waste_alone <> 0 order by c.id;
select setval('piece_cost_number', nextval('piece_cost_number') + 50);
