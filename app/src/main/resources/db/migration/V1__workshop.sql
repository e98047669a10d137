-- Lengths are whole micrometres, money is exact to a hundredth of a cent.

create table workshop (
    id boolean primary key default true check (id),
    name text not null,
    currency char(3) not null default 'EUR',
    margin text not null default 'BY_COST' check (margin in ('BY_COST', 'GENEROUS', 'EVEN', 'LEAN'))
);

create table person (
    id bigint generated always as identity primary key,
    name text not null,
    password_hash text not null,
    role text not null check (role in ('OWNER', 'MAKER')),
    version int not null default 0
);
create unique index person_name on person (lower(name));

create table sign_in_failure (
    name text not null,
    at timestamptz not null default now()
);
create index sign_in_failure_by_name on sign_in_failure (name, at);

create table article (
    id bigint generated always as identity primary key,
    code text not null unique,
    kind text not null check (kind in ('CORD', 'BEAD', 'RING')),
    name text not null,
    colour text not null check (colour ~ '^#[0-9A-Fa-f]{6}$'),
    material text,
    diameter_um bigint check (diameter_um > 0),
    keep_um bigint check (keep_um > 0),
    length_um bigint check (length_um > 0),
    hole_um bigint check (hole_um > 0),
    inner_width_um bigint check (inner_width_um > 0),
    bar_um bigint check (bar_um > 0),
    version int not null default 0,
    check (kind <> 'CORD' or (material is not null and diameter_um is not null and keep_um is not null)),
    check (kind <> 'BEAD' or (length_um is not null and diameter_um is not null and hole_um is not null)),
    check (kind <> 'RING' or (inner_width_um is not null and bar_um is not null))
);

create table lot (
    id bigint generated always as identity primary key,
    article_id bigint not null references article,
    code text not null,
    received_on date not null,
    version int not null default 0,
    unique (article_id, code)
);

create table holding (
    id bigint generated always as identity primary key,
    lot_id bigint not null references lot,
    kind text not null check (kind in ('SPOOL', 'REMNANT', 'BOX')),
    label text not null unique,
    shelf text not null default '',
    split_from bigint references holding,
    version int not null default 0
);
create index holding_by_lot on holding (lot_id);

-- A flaw or join, as the length that lies behind it, so that cutting at the free end does not move it.
create table holding_flaw (
    holding_id bigint not null references holding,
    behind_um bigint not null check (behind_um > 0),
    primary key (holding_id, behind_um)
);

create table ledger (
    id bigint generated always as identity primary key,
    at timestamptz not null,
    who text not null,
    movement text not null check (movement in ('RECEIVE', 'CUT', 'PICK', 'SPLIT', 'BIN', 'ADJUST')),
    holding_id bigint not null references holding,
    quantity bigint not null,
    value numeric(19, 4) not null,
    reason text not null default '',
    batch_id bigint,
    piece_id bigint,
    strand_id bigint,
    check (quantity <> 0 or value <> 0)
);
create index ledger_by_holding on ledger (holding_id, id);
create index ledger_by_piece on ledger (piece_id) where piece_id is not null;
create index ledger_by_batch on ledger (batch_id) where batch_id is not null;

create function ledger_is_append_only() returns trigger language plpgsql as $$
begin
    raise exception 'the ledger is append-only; correct it with a new row';
end $$;
create trigger ledger_append_only before update or delete on ledger
    for each row execute function ledger_is_append_only();
create trigger ledger_no_truncate before truncate on ledger
    for each statement execute function ledger_is_append_only();

-- Takes the holding's row lock first, so that two takers are judged one after the other.
create function ledger_never_below_zero() returns trigger language plpgsql as $$
declare
    left_quantity numeric;
    left_value numeric;
begin
    perform 1 from holding where id = new.holding_id for update;
    select coalesce(sum(quantity), 0), coalesce(sum(value), 0) into left_quantity, left_value
        from ledger where holding_id = new.holding_id;
    if left_quantity + new.quantity < 0 or left_value + new.value < 0 then
        raise exception 'holding % has only % left', new.holding_id, left_quantity using errcode = '23514';
    end if;
    if left_quantity + new.quantity = 0 and left_value + new.value <> 0 then
        raise exception 'holding % would be empty but still worth %', new.holding_id, left_value + new.value
            using errcode = '23514';
    end if;
    return new;
end $$;
create trigger ledger_floor before insert on ledger
    for each row execute function ledger_never_below_zero();

create sequence holding_label;

create view holding_balance as
    select h.id as holding_id, coalesce(sum(l.quantity), 0)::bigint as quantity, coalesce(sum(l.value), 0)::numeric(19, 4) as value
    from holding h left join ledger l on l.holding_id = h.id
    group by h.id;

create sequence order_reference;

create table customer_order (
    id bigint generated always as identity primary key,
    source text not null,
    reference text not null,
    customer text not null,
    due date,
    created_at timestamptz not null,
    created_by text not null,
    version int not null default 0,
    unique (source, reference)
);

create sequence batch_name;

create table batch (
    id bigint generated always as identity primary key,
    name text not null,
    created_at timestamptz not null,
    created_by text not null,
    version int not null default 0
);

create table order_line (
    id bigint generated always as identity primary key,
    order_id bigint not null references customer_order,
    number int not null check (number > 0),
    pattern text not null,
    size_name text,
    wrist_um bigint,
    hand_um bigint,
    hand_assumed boolean not null,
    ease text not null check (ease in ('SNUG', 'COMFORTABLE', 'LOOSE')),
    length_um bigint,
    units text not null check (units in ('METRIC', 'IMPERIAL')),
    bead_id bigint references article,
    bead_count int not null default 0 check (bead_count >= 0),
    ring_id bigint references article,
    quantity int not null check (quantity between 1 and 1000),
    note text not null default '',
    version int not null default 0,
    unique (order_id, number)
);

create table order_line_colour (
    line_id bigint not null references order_line,
    slot int not null,
    article_id bigint not null references article,
    primary key (line_id, slot)
);

create table piece (
    id bigint generated always as identity primary key,
    line_id bigint not null references order_line,
    number int not null,
    batch_id bigint references batch,
    cut_at timestamptz,
    version int not null default 0,
    unique (line_id, number)
);
create index piece_by_batch on piece (batch_id);

-- What a piece was worked out to need when it was put in a batch; kept, because prices and stock move on.
create table strand (
    id bigint generated always as identity primary key,
    piece_id bigint not null references piece,
    role text not null,
    number int not null,
    article_id bigint not null references article,
    cut_um bigint not null check (cut_um > 0),
    used_um bigint not null check (used_um > 0 and used_um <= cut_um),
    fold_um bigint,
    unique (piece_id, role, number)
);

create table piece_hardware (
    piece_id bigint not null references piece,
    article_id bigint not null references article,
    quantity int not null check (quantity > 0),
    primary key (piece_id, article_id)
);

create table piece_estimate (
    piece_id bigint primary key references piece,
    used numeric(19, 4) not null,
    tails numeric(19, 4) not null,
    hardware numeric(19, 4) not null
);

create table piece_actual (
    piece_id bigint primary key references piece,
    used numeric(19, 4) not null,
    tails numeric(19, 4) not null,
    waste numeric(19, 4) not null,
    hardware numeric(19, 4) not null
);

create table cut_list (
    id bigint generated always as identity primary key,
    batch_id bigint not null references batch,
    created_at timestamptz not null,
    confirmed_at timestamptz,
    confirmed_by text,
    version int not null default 0
);
create unique index one_open_cut_list on cut_list (batch_id) where confirmed_at is null;

create table cut_spool (
    id bigint generated always as identity primary key,
    cut_list_id bigint not null references cut_list on delete cascade,
    number int not null,
    holding_id bigint not null references holding,
    length_um bigint not null,
    unique (cut_list_id, number)
);

create table cut_step (
    id bigint generated always as identity primary key,
    cut_spool_id bigint not null references cut_spool on delete cascade,
    number int not null,
    kind text not null check (kind in ('STRAND', 'OFFCUT', 'REST')),
    length_um bigint not null check (length_um > 0),
    strand_id bigint references strand,
    keep boolean not null,
    unique (cut_spool_id, number)
);

create table cut_waiting (
    cut_list_id bigint not null references cut_list on delete cascade,
    piece_id bigint not null references piece,
    article_id bigint not null references article,
    needed bigint not null,
    best bigint not null,
    primary key (cut_list_id, piece_id)
);

-- Sessions, so that several instances behave as one.
create table spring_session (
    primary_id char(36) not null primary key,
    session_id char(36) not null,
    creation_time bigint not null,
    last_access_time bigint not null,
    max_inactive_interval int not null,
    expiry_time bigint not null,
    principal_name varchar(100)
);
create unique index spring_session_ix1 on spring_session (session_id);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
    attribute_name varchar(200) not null,
    attribute_bytes bytea not null,
    primary key (session_primary_id, attribute_name)
);
