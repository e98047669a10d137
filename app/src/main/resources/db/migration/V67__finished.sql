-- Where parcels come from, and how they go: each way with the days that it usually takes.
alter table workshop add column address text not null default '' check (char_length(address) <= 400);
create table way (
    place int primary key,
    name text not null check (char_length(name) between 1 and 60),
    days int not null check (days between 0 and 60)
);
insert into setting_revision (setting) values ('WAYS');

-- How an order goes, as it was chosen: it must leave on the day it is due, and arrives so many days later.
alter table customer_order add column way text not null default '' check (char_length(way) <= 60);
alter table customer_order add column way_days int not null default 0 check (way_days between 0 and 60);

-- What was paid for an order, or given back; what was noted by mistake stays as a row that does not count.
create sequence payment_number;
create table payment (
    id bigint primary key,
    order_id bigint not null references customer_order on delete cascade,
    paid_on date not null,
    amount numeric(14, 2) not null check (amount <> 0),
    how text not null,
    note text not null check (char_length(note) <= 200),
    at timestamptz not null,
    who text not null,
    withdrawn_at timestamptz,
    withdrawn_by text,
    check ((withdrawn_at is null) = (withdrawn_by is null))
);
create index payment_of_order on payment (order_id, id);

-- What left together. A piece that was not sent after all, or came back, stays noted in the parcel that it was in.
create sequence parcel_number;
create table parcel (
    id bigint primary key,
    version int not null,
    order_id bigint not null references customer_order on delete cascade,
    number int not null,
    sent_on date not null,
    way text not null check (char_length(way) <= 60),
    tracking text not null check (char_length(tracking) <= 80),
    note text not null check (char_length(note) <= 400),
    at timestamptz not null,
    who text not null,
    unique (order_id, number)
);
create table parcel_piece (
    parcel_id bigint not null references parcel on delete cascade,
    piece_id bigint not null references piece on delete cascade,
    taken_out boolean not null default false,
    primary key (parcel_id, piece_id)
);
create index parcel_of_piece on parcel_piece (piece_id) where not taken_out;

-- Messages to customers: a person put each here, and it is handed over from here.
create sequence letter_number;
create table letter (
    id bigint primary key,
    order_id bigint not null references customer_order on delete cascade,
    kind text not null,
    recipient text not null check (char_length(recipient) <= 200),
    subject text not null check (char_length(subject) <= 200),
    body text not null check (char_length(body) <= 20000),
    put_at timestamptz not null,
    put_by text not null,
    handed_over_at timestamptz
);
create index letter_of_order on letter (order_id, id);
create index letter_waiting on letter (id) where handed_over_at is null;

-- What is made and has not gone out, by the day it must leave.
create index customer_order_here on customer_order ((coalesce(due, date '9999-12-31')), id) where made > dispatched and stage = 'ACCEPTED';
