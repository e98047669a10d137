-- Setting the bench up for a batch is an act of its own, apart from what each piece takes.
create sequence bench_set_up_number increment by 50;
create table bench_set_up (
    id bigint primary key,
    key uuid not null unique,
    -- No reference: what happened stays when the batch is dissolved.
    batch_id bigint not null,
    -- What lies on the bench: the pattern and the cords in its places.
    set_up text not null,
    seconds int not null check (seconds between 1 and 86400),
    at timestamptz not null,
    person_id bigint references person,
    who text not null,
    takes_back bigint unique references bench_set_up
);
create index bench_set_up_of_batch on bench_set_up (batch_id, set_up, id);
create trigger bench_set_up_append_only before update or delete on bench_set_up
    for each row execute function bench_act_is_append_only();
