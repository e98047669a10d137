-- What was left of each strand when its piece was done: how the figure was got, and what became of it. Of the rows of a strand that
-- were not taken back the newest holds. A strand that ran short is told by it, and by a mend.
create sequence left_over_number increment by 50;
create table left_over (
    id bigint primary key,
    piece_id bigint not null,
    -- The strand's place on the piece's card, and the row of its need.
    strand int not null check (strand >= 0),
    strand_id bigint not null,
    article_id bigint not null references article,
    how text not null check (how in ('MEASURED', 'ABOUT', 'WEIGHED')),
    left_um bigint not null check (left_um >= 0),
    fate text not null check (fate in ('SHELF', 'SLIDER', 'BIN')),
    short boolean not null,
    at timestamptz not null,
    person_id bigint references person,
    who text not null,
    takes_back bigint unique references left_over
);
create index left_over_by_piece on left_over (piece_id, id);
create index left_over_by_strand on left_over (strand_id, id);
create view left_over_now as
    select distinct on (l.strand_id) l.* from left_over l
    where l.takes_back is null and not exists (select from left_over t where t.takes_back = l.id)
    order by l.strand_id, l.id desc;
create trigger left_over_append_only before update or delete on left_over
    for each row execute function bench_act_is_append_only();

-- A tail that goes back on the shelf; its value leaves the piece.
alter table ledger drop constraint ledger_movement_check;
alter table ledger add constraint ledger_movement_check check (movement in
    ('RECEIVE', 'CUT', 'PICK', 'SPLIT', 'BIN', 'ADJUST', 'SELL', 'SEND_BACK', 'COUNT', 'RETURN', 'LEFT'));
create index ledger_by_strand on ledger (strand_id) where strand_id is not null;
