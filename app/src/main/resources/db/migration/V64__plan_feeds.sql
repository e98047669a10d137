-- Secret addresses from which calendars read the published plan; only what they hash to is kept.
create sequence plan_feed_number;
create table plan_feed (
    id bigint primary key,
    -- Whose days; nothing for everybody's.
    person_id bigint references person,
    secret_hash text not null unique check (char_length(secret_hash) = 64),
    made_at timestamptz not null,
    made_by text not null,
    withdrawn_at timestamptz
);
