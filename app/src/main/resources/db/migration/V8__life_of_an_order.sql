-- What people settled about an order, and where it stands by that and by its pieces. State and counts follow from stage
-- and pieces; they are kept so that a list of very many orders is read without counting pieces.
alter table customer_order add column stage text not null default 'ACCEPTED'
    check (stage in ('DRAFT', 'QUOTED', 'ACCEPTED', 'CANCELLED'));
alter table customer_order alter column stage drop default;
alter table customer_order add column state text not null default 'ACCEPTED' check (state in ('DRAFT', 'QUOTED', 'ACCEPTED',
    'PLANNED', 'CUTTING', 'MAKING', 'FINISHED', 'DISPATCHED', 'CANCELLED'));
alter table customer_order add column pieces int not null default 0;
alter table customer_order add column planned int not null default 0;
alter table customer_order add column cut int not null default 0;
alter table customer_order add column made int not null default 0;
alter table customer_order add column dispatched int not null default 0;
alter table customer_order add column note text not null default '';

alter table piece add column made_at timestamptz;
alter table piece add column dispatched_at timestamptz;
alter table piece add constraint piece_in_order check (
    (cut_at is null or batch_id is not null) and (made_at is null or cut_at is not null)
    and (dispatched_at is null or made_at is not null));
drop index piece_uncut;
create index piece_unmade on piece (line_id) where made_at is null;

update customer_order o set pieces = c.pieces, planned = c.planned, cut = c.cut,
    state = case when c.cut = c.pieces and c.pieces > 0 then 'MAKING' when c.cut > 0 then 'CUTTING'
                 when c.planned > 0 then 'PLANNED' else 'ACCEPTED' end
from (select l.order_id, count(*) as pieces, count(p.batch_id) as planned, count(p.cut_at) as cut
      from order_line l join piece p on p.line_id = l.id group by l.order_id) c
where c.order_id = o.id;

-- Everything that an order can be found by, in small letters.
create extension if not exists pg_trgm;
alter table customer_order add column search text not null default '';
update customer_order o set search = lower(o.reference || ' ' || o.customer || ' ' || coalesce((
    select string_agg(l.pattern || ' ' || l.note, ' ') from order_line l where l.order_id = o.id), ''));
create index customer_order_search on customer_order using gin (search gin_trgm_ops);
create index customer_order_by_state on customer_order (state, id desc);
create index customer_order_by_due on customer_order (due, id);
create index customer_order_by_customer on customer_order (lower(customer), id);
create index order_line_by_order on order_line (order_id);

-- Who did what to an order, and when; only added to.
create table order_event (
    id bigint generated always as identity primary key,
    order_id bigint not null references customer_order on delete cascade,
    at timestamptz not null,
    who text not null,
    what text not null,
    detail jsonb not null default '{}'
);
create index order_event_by_order on order_event (order_id, id);
create function order_event_is_append_only() returns trigger language plpgsql as $$
begin
    raise exception 'what happened to an order is not rewritten';
end $$;
create trigger order_event_append_only before update on order_event
    for each row execute function order_event_is_append_only();

-- How the house makes its prices.
create table price_rules (
    id boolean primary key default true check (id),
    labour_per_hour numeric(10, 2) not null default 0,
    margin_percent numeric(6, 2) not null default 0,
    fee_percent numeric(5, 2) not null default 0,
    fee_per_piece numeric(10, 2) not null default 0,
    step numeric(8, 2) not null default 0.01,
    tax_percent numeric(5, 2) not null default 0,
    tax_included boolean not null default true,
    breaks jsonb not null default '[]',
    valid_days int not null default 14 check (valid_days between 1 and 365)
);
insert into price_rules default values;

-- What was named to the customer: the whole reckoning, as it was then.
create table quote (
    id bigint generated always as identity primary key,
    order_id bigint not null references customer_order on delete cascade,
    number int not null,
    at timestamptz not null,
    who text not null,
    valid_until date not null,
    ready date,
    accepted_at timestamptz,
    gross numeric(12, 2) not null,
    content jsonb not null,
    unique (order_id, number)
);
