-- Who sells what, in which put-ups, and what was bought and delivered of it.
create table supplier (
    id bigint generated always as identity primary key,
    version int not null default 0,
    name text not null unique check (char_length(name) between 1 and 60),
    lead_days int not null check (lead_days between 0 and 365),
    minimum numeric(19, 4) not null default 0 check (minimum >= 0),
    note text not null default ''
);

create table put_up (
    id bigint generated always as identity primary key,
    article_id bigint not null references article,
    supplier_id bigint not null references supplier,
    quantity bigint not null check (quantity > 0),
    price numeric(19, 4) not null check (price >= 0),
    code text not null default '',
    withdrawn boolean not null default false
);
create unique index put_up_once on put_up (article_id, supplier_id, quantity) where not withdrawn;

-- What a metre of cord weighs, micrograms; what its empty spool weighs, milligrams.
alter table article add column density_ug_m bigint check (density_ug_m between 10000 and 200000000);
alter table holding add column tare_mg bigint check (tare_mg between 0 and 50000000);

create table purchase (
    id bigint generated always as identity primary key,
    supplier_id bigint not null references supplier,
    at timestamptz not null,
    who text not null,
    expected_on date not null,
    closed_at timestamptz,
    closed_by text
);
create index purchase_open on purchase (supplier_id) where closed_at is null;
create table purchase_line (
    id bigint generated always as identity primary key,
    purchase_id bigint not null references purchase,
    article_id bigint not null references article,
    quantity bigint not null check (quantity > 0),
    price numeric(19, 4) not null check (price >= 0),
    code text not null default '',
    count int not null check (count > 0),
    received int not null default 0 check (received >= 0)
);
create index purchase_line_purchase on purchase_line (purchase_id);

create table receipt (
    id bigint generated always as identity primary key,
    number text not null default '',
    supplier_id bigint references supplier,
    received_on date not null,
    freight numeric(19, 4) not null check (freight >= 0),
    at timestamptz not null,
    who text not null
);
create table receipt_line (
    id bigint generated always as identity primary key,
    receipt_id bigint not null references receipt,
    lot_id bigint not null references lot,
    put_ups int not null,
    quantity bigint not null,
    price numeric(19, 4) not null,
    freight numeric(19, 4) not null,
    purchase_line_id bigint references purchase_line
);
create index receipt_line_lot on receipt_line (lot_id);
create index receipt_line_receipt on receipt_line (receipt_id);

create table stocktake (
    id bigint generated always as identity primary key,
    started_at timestamptz not null,
    started_by text not null,
    what text not null,
    blind boolean not null,
    booked_at timestamptz,
    booked_by text,
    given_up boolean not null default false
);
-- What was counted is told against what was on the books in that moment: whatever moves between counting and booking moves both.
create table stocktake_line (
    stocktake_id bigint not null references stocktake on delete cascade,
    holding_id bigint not null references holding,
    expected bigint,
    counted bigint check (counted >= 0),
    how text check (how in ('LENGTH', 'COUNT', 'WEIGHT')),
    typed text not null default '',
    counted_at timestamptz,
    counted_by text,
    reason text not null default '',
    primary key (stocktake_id, holding_id)
);
create index ledger_at on ledger using brin (at);
