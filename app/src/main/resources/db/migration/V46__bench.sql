-- The bench: cards of steps, who works on which piece, and every act with a step. A card is kept as it was when its piece was begun;
-- alike pieces share one.
create table work_card (
    id bigint generated always as identity primary key,
    -- Of what it says, so that the same card is kept once.
    digest text not null unique check (char_length(digest) = 64),
    card jsonb not null,
    created_at timestamptz not null
);

-- Where a piece stands on its card, beside the acts that tell it; bin/restis verify replays them and compares.
create table bench_piece (
    piece_id bigint primary key references piece on delete cascade,
    version int not null default 0,
    card_id bigint not null references work_card,
    next_step int not null check (next_step >= 0),
    held_up boolean not null default false,
    -- In one person's hands; nobody's while it lies.
    person_id bigint references person,
    in_hand_of text not null default '',
    taken_at timestamptz,
    check ((taken_at is null) = (in_hand_of = ''))
);
create index bench_piece_in_hand on bench_piece (in_hand_of, piece_id) where taken_at is not null;

create sequence bench_act_number increment by 50;
create table bench_act (
    id bigint primary key,
    -- Given by whoever acted, maybe without a network: sent twice it is one act.
    key uuid not null unique,
    -- No reference: what happened stays when a piece is taken off its order.
    piece_id bigint not null,
    act text not null check (act in ('TAKE', 'LAY_DOWN', 'DONE', 'NOT_YET', 'ALL_THE_SAME', 'BACK_TO', 'TAKE_BACK')),
    step int check (step >= 0),
    -- When it was done, and when it was heard of.
    done_at timestamptz not null,
    at timestamptz not null,
    person_id bigint references person,
    who text not null,
    -- What the step took, with pauses left out; nothing where nobody measured it.
    seconds int check (seconds between 0 and 86400),
    reason text not null default '' check (char_length(reason) <= 400),
    -- Measured at a check or at the end.
    length_um bigint check (length_um > 0),
    strand int check (strand >= 0),
    leg int check (leg >= 0),
    cord_left_um bigint check (cord_left_um >= 0),
    takes_back bigint unique references bench_act,
    check ((act = 'TAKE_BACK') = (takes_back is not null)),
    check ((act in ('TAKE', 'LAY_DOWN')) = (step is null)),
    check (act <> 'ALL_THE_SAME' or reason <> '')
);
create index bench_act_by_piece on bench_act (piece_id, id);

create function bench_act_is_append_only() returns trigger language plpgsql as $$
begin
    raise exception 'what was done at the bench is not rewritten';
end $$;
create trigger bench_act_append_only before update or delete on bench_act
    for each row execute function bench_act_is_append_only();

create index piece_at_bench on piece (line_id) where stage = 'CUT' or stage = 'MAKING';

-- Whether gates only remind, and whether steps are timed.
alter table workshop
    add column gates_remind boolean not null default false,
    add column timer boolean not null default true;
insert into setting_revision (setting) values ('BENCH');
