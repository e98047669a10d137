-- Which column of a source's files holds which field, as somebody settled it once.
create table order_source (
    source text primary key,
    columns jsonb not null
);
-- How far an import is; written beside its transaction, so that others see it, and gone with the next day's.
create table import_progress (
    key text primary key,
    done int not null,
    total int not null,
    cancelled boolean not null default false,
    at timestamptz not null default now()
);
