-- Hardware of any kind, with the measures that its kind has.
alter table article drop constraint if exists article_kind_check;
alter table article drop constraint if exists article_check;
alter table article drop constraint if exists article_check1;
alter table article drop constraint if exists article_check2;
alter table article add constraint article_kind check (kind in ('CORD', 'BEAD', 'SLIDE_BEAD', 'RING', 'CLASP', 'BUCKLE',
    'SHACKLE', 'CENTREPIECE', 'BUTTON', 'BREAKAWAY', 'CHARM'));
alter table article add constraint article_measures check (
    case when kind = 'CORD' then material is not null and diameter_um is not null and keep_um is not null
    else (length_um is not null) = (kind in ('BEAD', 'SLIDE_BEAD', 'CLASP', 'BUCKLE', 'SHACKLE', 'CENTREPIECE', 'BREAKAWAY'))
        and (diameter_um is not null) = (kind in ('BEAD', 'SLIDE_BEAD', 'BUTTON', 'CHARM'))
        and (hole_um is not null) = (kind in ('BEAD', 'SLIDE_BEAD', 'BREAKAWAY'))
        and (inner_width_um is not null) = (kind in ('RING', 'CLASP', 'BUCKLE', 'SHACKLE', 'CENTREPIECE'))
        and (bar_um is not null) = (kind in ('RING', 'CLASP', 'BUCKLE', 'SHACKLE', 'CENTREPIECE', 'BUTTON', 'CHARM'))
    end);

-- Every version of a pattern stays, so that an order keeps the one it was taken with.
create table pattern_version (
    code text not null check (code ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
    version int not null check (version > 0),
    name text not null,
    shipped boolean not null,
    definition jsonb not null,
    created_at timestamptz not null,
    created_by text not null,
    primary key (code, version)
);
create table pattern_withdrawn (
    code text primary key,
    at timestamptz not null,
    who text not null
);

alter table order_line add column pattern_version int not null default 1;
alter table order_line add column kit boolean not null default false;

create table order_line_part (
    line_id bigint not null references order_line,
    slot text not null,
    article_id bigint not null references article,
    count int not null default 0 check (count >= 0),
    primary key (line_id, slot)
);
insert into order_line_part (line_id, slot, article_id, count)
    select id, 'bead', bead_id, bead_count from order_line where bead_id is not null;
insert into order_line_part (line_id, slot, article_id, count)
    select id, 'ring', ring_id, 0 from order_line where ring_id is not null;
alter table order_line drop column bead_id;
alter table order_line drop column bead_count;
alter table order_line drop column ring_id;

create table house_size (
    number int primary key check (number > 0),
    name text not null unique,
    wrist_um bigint not null check (wrist_um > 0),
    hand_um bigint not null check (hand_um > wrist_um)
);
insert into house_size values (1, 'XS', 145000, 186000), (2, 'S', 155000, 197000), (3, 'M', 167000, 210000),
    (4, 'L', 180000, 224000), (5, 'XL', 195000, 240000);

create table house_ease (
    ease text primary key check (ease in ('SNUG', 'COMFORTABLE', 'LOOSE')),
    um bigint not null check (um >= 0)
);
insert into house_ease values ('SNUG', 5000), ('COMFORTABLE', 12000), ('LOOSE', 22000);

-- A short sample tied to measure what a stitch takes; never changed, only withdrawn.
create table swatch (
    id bigint generated always as identity primary key,
    stitch text not null,
    material text not null,
    maker text not null,
    working_um bigint not null check (working_um > 0),
    core_um bigint check (core_um > 0),
    cores int not null check (cores >= 0),
    repeats int not null check (repeats > 0),
    body_um bigint not null check (body_um > 0),
    used_um bigint not null check (used_um > 0),
    at timestamptz not null,
    who text not null,
    withdrawn_at timestamptz
);
