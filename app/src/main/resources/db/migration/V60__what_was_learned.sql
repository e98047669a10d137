-- What was measured of pieces and samples, to be learned from. Whoever measures adds a row; one worker at a time folds them, in
-- the order of the numbers that it gives them, and keeps beside each what was expected of it.
create sequence observation_number;
create table observation (
    id bigint primary key,
    key uuid not null unique,
    subject text not null check (subject in ('CORD', 'PITCH', 'TIME')),
    source text not null check (source in ('STRAND', 'LENGTH', 'STEP', 'SET_UP', 'SWATCH', 'IMPORT')),
    -- The rows of its source that it was read from: left over, acts, set-ups, swatches.
    sources bigint[] not null,
    piece_id bigint,
    maker text not null,
    day date not null,
    value double precision not null check (value > 0),
    reading double precision not null check (reading >= 0),
    bound text not null check (bound in ('EXACT', 'AT_LEAST', 'AT_MOST')),
    about text not null,
    cut_um bigint not null default 0,
    short boolean not null default false,
    confirmed boolean not null default false,
    standing text not null default 'STANDS' check (standing in ('STANDS', 'TAKEN_BACK', 'DROPPED')),
    -- Whether it is otherwise than it was folded.
    changed boolean not null default false,
    number bigint unique,
    -- What geometry expects of it, and by which formulas.
    formulas int not null default 0,
    use text,
    geometry_um bigint not null default 0,
    outcome text check (outcome in ('LEARNED', 'DOUBTED', 'CHANGE', 'UNKNOWN')),
    expected double precision,
    spread double precision,
    surprise double precision,
    -- What was believed of its features when it was folded.
    features text[] not null default '{}',
    means double precision[] not null default '{}',
    spreads double precision[] not null default '{}'
);
create index observation_waiting on observation (id) where number is null and standing = 'STANDS';
create index observation_changed on observation (number) where changed;
create index observation_doubted on observation (number) where outcome = 'DOUBTED' and standing = 'STANDS';
create index observation_sources on observation using gin (sources);
create index observation_features on observation using gin (features);
create index observation_piece on observation (piece_id);

-- All that was known after so many observations: every five hundredth is kept, and the newest.
create table learning_state (
    id bigint generated always as identity primary key,
    number bigint not null,
    cord bytea not null,
    pitch bytea not null,
    time bytea not null,
    stale boolean not null default false
);
create unique index learning_state_number on learning_state (number) where not stale;

create table learning_book (
    id int primary key check (id = 1),
    formulas int not null,
    last_number bigint not null,
    -- What figures rest on; and what open pieces were last worked out with.
    published bigint references learning_state,
    worked_out bigint references learning_state
);
insert into learning_book (id, formulas, last_number) values (1, 0, 0);

-- Swatches and what was left over so far are its first rows.
insert into observation (id, key, subject, source, sources, maker, day, value, reading, bound, about, standing)
select nextval('observation_number'), gen_random_uuid(), x.subject, 'SWATCH', array[s.id], s.maker, s.at::date,
       case x.subject when 'CORD' then s.used_um else s.body_um end / 1000.0, 0.5, 'EXACT', '{}',
       case when s.withdrawn_at is null then 'STANDS' else 'TAKEN_BACK' end
from (select * from swatch order by id) s cross join (values ('CORD'), ('PITCH')) x (subject);

insert into observation (id, key, subject, source, sources, piece_id, maker, day, value, reading, bound, about, cut_um, short)
select nextval('observation_number'), gen_random_uuid(), 'CORD', 'STRAND', l.sources, l.piece_id, l.maker, l.day, l.used_um / 1000.0,
       l.reading, case when l.short then 'AT_LEAST' else 'EXACT' end, l.about, l.cut_um, l.short
from (
    select array_agg(o.id order by o.id) as sources, min(o.piece_id) as piece_id, min(coalesce(t.maker, o.who)) as maker,
           min(o.at)::date as day, sum(s.cut_um - o.left_um) as used_um, sum(s.cut_um) as cut_um, bool_or(o.short) as short,
           case when min(o.how) = 'MEASURED' then 2 else 20 end as reading,
           json_build_object('strands',
               json_agg(json_build_object('piece', o.piece_id, 'role', s.role, 'number', s.number) order by o.id))::text as about,
           min(o.id) as first
    from left_over o join strand s on s.id = o.strand_id
         left join lateral (
             select e.who as maker from piece_event e where e.piece_id = o.piece_id and e.act = 'START' order by e.id desc limit 1
         ) t on true
    where o.takes_back is null and not exists (select 1 from left_over b where b.takes_back = o.id)
    group by o.how, case when o.how = 'WEIGHED' then o.at::text || ' ' || o.article_id else o.id::text end
) l where l.used_um > 0 order by l.first;
