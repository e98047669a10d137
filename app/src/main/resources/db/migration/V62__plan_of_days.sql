-- Who ties what on which day. Planning is off until the house wants it.
insert into setting_revision (setting) values ('PLAN');
create table plan_rules (
    id int primary key check (id = 1),
    planning boolean not null default false,
    -- Whether no piece lies over a night half tied.
    whole_pieces boolean not null default false,
    -- Of each day, what no plan uses.
    keep_free_percent int not null default 10 check (keep_free_percent between 0 and 50),
    family_seconds int not null default 480 check (family_seconds between 0 and 86400),
    jig_seconds int not null default 240 check (jig_seconds between 0 and 86400),
    spool_seconds int not null default 90 check (spool_seconds between 0 and 86400),
    -- Cutting a strand, checking a piece, packing one.
    cut_seconds int not null default 30 check (cut_seconds between 0 and 3600),
    check_seconds int not null default 60 check (check_seconds between 0 and 3600),
    pack_seconds int not null default 60 check (pack_seconds between 0 and 3600),
    -- Whether a plan is published as soon as it is made; nothing where that goes by how many people there are.
    publishes boolean
);
insert into plan_rules (id) values (1);

-- When a maker is done for the day, and what they tie: none named is all.
alter table person add column bench_ends time;
create table maker_family (
    person_id bigint not null references person,
    family text not null check (family in ('SQUARE', 'SNAKE', 'WEAVE', 'BRAID', 'HITCH', 'THREADING')),
    primary key (person_id, family)
);
alter table own_stitch add column family text not null default 'BRAID'
    check (family in ('SQUARE', 'SNAKE', 'WEAVE', 'BRAID', 'HITCH', 'THREADING'));

-- An order that must be in time before others.
alter table customer_order add column must boolean not null default false;

-- A plan is not rewritten once it is made: whatever hands do makes the next one, so that taking back is going back.
create sequence work_plan_number;
create table work_plan (
    id bigint primary key,
    made_at timestamptz not null,
    made_by text not null,
    act text not null,
    -- What happened, as codes and names.
    about jsonb not null default '[]',
    from_day date not null,
    late_days bigint not null,
    late_orders int not null,
    effort bigint not null,
    set_up_seconds bigint not null,
    least_set_up_seconds bigint not null,
    -- Whether it is still looked for a better one, and whether that was ended by the clock.
    growing boolean not null,
    cut_off boolean not null default false,
    before_id bigint references work_plan,
    published_at timestamptz,
    published_by text
);
create index work_plan_before on work_plan (before_id);

create sequence plan_parcel_number increment by 50;
create table plan_parcel (
    id bigint primary key,
    plan_id bigint not null references work_plan on delete cascade,
    person_id bigint not null references person,
    place int not null,
    state text not null check (state in ('BEGUN', 'FREE', 'PINNED')),
    line_id bigint not null,
    order_id bigint not null,
    pieces bigint[] not null check (cardinality(pieces) > 0),
    apart boolean not null,
    family text not null,
    jig text not null,
    cords bigint[] not null,
    release_day date,
    from_day date not null,
    seconds int[] not null check (cardinality(seconds) > 0),
    set_up_seconds int not null,
    unique (plan_id, person_id, place)
);
create index plan_parcel_of_order on plan_parcel (plan_id, order_id);

-- What each order can be promised on, and how sure that is.
create sequence plan_order_number increment by 50;
create table plan_order (
    id bigint primary key,
    plan_id bigint not null references work_plan on delete cascade,
    order_id bigint not null,
    -- Nothing of it is planned, and why.
    left_out text check (left_out in ('NO_CORD', 'NOBODY_TIES')),
    ready_day date,
    even_day date,
    sure_day date,
    late_chance double precision not null check (late_chance between 0 and 1),
    late_days int not null,
    release_day date,
    -- As it was when the plan was made.
    due_day date,
    must boolean not null,
    unique (plan_id, order_id)
);

-- How long each maker was at the bench when it was made, from its first day on.
create sequence plan_maker_number increment by 50;
create table plan_maker (
    id bigint primary key,
    plan_id bigint not null references work_plan on delete cascade,
    person_id bigint not null references person,
    seconds int[] not null,
    unique (plan_id, person_id)
);

-- The plan that is worked on, and the one that people have seen.
create table plan_book (
    id int primary key check (id = 1),
    head bigint references work_plan,
    published bigint references work_plan
);
insert into plan_book (id) values (1);

create index bench_act_by_person on bench_act (person_id, id) where person_id is not null;
