-- With years of orders, what is promised can no longer be added up from their pieces whenever somebody asks.
alter view article_reserved rename to article_needed;

create table article_reserved (
    order_id bigint not null references customer_order on delete cascade,
    article_id bigint not null references article,
    batch_id bigint references batch,
    quantity bigint not null check (quantity > 0)
);
create index article_reserved_article on article_reserved (article_id) include (order_id, quantity);
create index article_reserved_order on article_reserved (order_id);
insert into article_reserved (order_id, article_id, batch_id, quantity)
    select order_id, article_id, batch_id, quantity from article_needed;

-- Finding holdings of a list must not go through all lists there ever were.
create index cut_spool_holding on cut_spool (holding_id);
