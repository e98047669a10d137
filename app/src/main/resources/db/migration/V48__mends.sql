-- What went wrong at the bench is an act with its reason: cord that was cut anew, a part that was replaced, a piece that was given up.
alter table bench_act drop constraint bench_act_act_check;
alter table bench_act add constraint bench_act_act_check check (act in
    ('TAKE', 'LAY_DOWN', 'DONE', 'NOT_YET', 'ALL_THE_SAME', 'BACK_TO', 'TAKE_BACK', 'SPLICE', 'NEW_STRAND', 'NEW_PART', 'GIVE_UP'));
alter table bench_act add column mishap text not null default '' check (mishap in
    ('', 'STRAND_SHORT', 'PART_FORGOTTEN', 'PART_BROKEN', 'COLOUR_WRONG', 'TENSION_UNEVEN', 'CORD_DAMAGED', 'TRIMMED_TOO_EARLY'));
