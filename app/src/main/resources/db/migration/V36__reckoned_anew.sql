-- With which formulas the open pieces were worked out last, and what the corrected ones changed.
create table reckoned (
    one boolean primary key default true check (one),
    formulas int not null
);
insert into reckoned (formulas) values (1);

create table reckoned_anew (
    id bigint generated always as identity primary key,
    formulas int not null,
    line_id bigint not null references order_line on delete cascade,
    article_id bigint not null references article,
    before_quantity bigint not null,
    after_quantity bigint not null,
    at timestamptz not null,
    unique (formulas, line_id, article_id)
);
create index reckoned_anew_line on reckoned_anew (line_id);

-- Of lines that still have pieces to cut.
create view reckoned_anew_open as
select r.*, p.pieces
from reckoned_anew r
    cross join lateral (select count(*)::int as pieces from piece where line_id = r.line_id and cut_at is null) p
where p.pieces > 0;
