-- When somebody last saw a piece on the shelf: counting it is seeing each piece, and saying which are missing.
create table shelf_seen (
    piece_id bigint primary key references piece on delete cascade,
    version int not null,
    at timestamptz not null,
    who text not null
);
