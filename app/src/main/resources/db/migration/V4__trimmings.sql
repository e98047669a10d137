-- What a strand leaves at its tied ends at the least, so that shorter strands of later pieces can be taken from it.
alter table strand add column tails_um bigint[] not null default '{}';

-- Strands of a cut list that are not cut, because a tail of an earlier piece serves.
create table cut_trimming (
    cut_list_id bigint not null references cut_list on delete cascade,
    strand_id bigint not null references strand,
    source_id bigint not null references strand,
    tail_um bigint not null check (tail_um > 0),
    primary key (cut_list_id, strand_id),
    check (strand_id <> source_id)
);
