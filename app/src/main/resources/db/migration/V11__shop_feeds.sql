-- Shops that deliver orders by themselves. Of a key only its digest is kept.
create table shop_feed (
    source text primary key check (char_length(source) between 1 and 40),
    key_digest text not null unique,
    units text not null,
    made_at timestamptz not null
);

-- What shops delivered. A body is kept as long as somebody may have to look at it.
create table delivery (
    id bigint generated always as identity primary key,
    source text not null,
    sent_at timestamptz not null,
    arrived_at timestamptz not null,
    times int not null default 1,
    digest text not null,
    body bytea,
    order_references text[] not null,
    units text not null,
    state text not null check (state in ('TAKEN', 'REPEATED', 'OUTDATED', 'WAITING', 'SET_ASIDE')),
    reasons jsonb not null default '[]',
    settled_by text,
    settled_at timestamptz,
    check (body is not null or state not in ('WAITING', 'SET_ASIDE'))
);
-- The same broken delivery again is one entry in the tray.
create unique index delivery_waiting_once on delivery (source, digest) where state in ('WAITING', 'SET_ASIDE');
create index delivery_waiting on delivery (id) where state = 'WAITING';
create index delivery_references on delivery using gin (order_references) where state in ('TAKEN', 'REPEATED');
