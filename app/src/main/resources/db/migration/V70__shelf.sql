-- Finished pieces that nobody waits for: of an order of the house, or of one that its customer wants no more, or come back for good.
alter table customer_order add column for_shelf boolean not null default false;
alter table piece add column shelved boolean not null default false;

-- What lies on the shelf is worth, as an account: cost comes in with a piece, changes with work on it, and goes out with it. Never rewritten.
create sequence shelf_number;
create table shelf_entry (
    id bigint primary key,
    piece_id bigint not null references piece on delete cascade,
    at timestamptz not null,
    who text not null,
    what text not null,
    -- 1 when it comes, -1 when it goes, 0 when only its cost changes.
    pieces int not null check (pieces between -1 and 1),
    value numeric(19, 4) not null
);
create index shelf_entry_of_piece on shelf_entry (piece_id, id);
create index shelf_entry_at on shelf_entry (at);

-- Sold from the shelf: for how much, and how it was paid.
create sequence sale_number;
create table sale (
    id bigint primary key,
    piece_id bigint not null references piece,
    sold_on date not null,
    price numeric(14, 2) not null check (price >= 0),
    how text not null,
    note text not null check (char_length(note) <= 200),
    at timestamptz not null,
    who text not null,
    withdrawn_at timestamptz,
    withdrawn_by text
);
create unique index sale_of_piece on sale (piece_id) where withdrawn_at is null;
create index piece_shelved on piece (line_id) where shelved;

