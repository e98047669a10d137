-- Who orders. An order keeps the name as it was given, and the customer whose name that is: the same letters are the same
-- customer, anything else is another, until somebody says that they are one.
create sequence customer_number increment by 50;
create table customer (
    id bigint primary key default nextval('customer_number'),
    version int not null default 0,
    name text not null,
    address text not null default '' check (char_length(address) <= 400),
    email text not null default '' check (char_length(email) <= 120),
    language text not null default '' check (char_length(language) <= 35),
    -- As typed by somebody, and when; what orders give later holds instead.
    wrist_um bigint check (wrist_um > 0),
    hand_um bigint check (hand_um > 0),
    measured_at timestamptz,
    -- Another name for this customer.
    merged_into bigint references customer,
    nameless_at timestamptz,
    -- Everything they can be found by, their other names among it.
    search text not null default '',
    created_at timestamptz not null default now(),
    check (merged_into <> id),
    check (nameless_at is null or name = '' and address = '' and email = '')
);
alter sequence customer_number owned by customer.id;
create unique index customer_name on customer (name) where nameless_at is null;
create index customer_list on customer (lower(name), id) where merged_into is null and nameless_at is null;
create index customer_other_names on customer (merged_into) where merged_into is not null;
create index customer_search on customer using gin (search gin_trgm_ops);

insert into customer (name, search, created_at)
    select customer, lower(customer), min(created_at) from customer_order group by customer order by min(id);
alter table customer_order add column customer_id bigint references customer;
update customer_order o set customer_id = c.id from customer c where c.name = o.customer;
alter table customer_order alter column customer_id set not null;
create index customer_order_of_customer on customer_order (customer_id, id desc);
