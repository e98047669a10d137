-- A finished piece that is made longer or shorter goes on by another card, from a step in its middle; its acts before that are of the old card.
alter table bench_piece add column first_step int not null default 0;
alter table bench_piece add column card_since bigint not null default 0;

alter table bench_act drop constraint bench_act_act_check;
alter table bench_act add constraint bench_act_act_check check (act in
    ('TAKE', 'LAY_DOWN', 'DONE', 'NOT_YET', 'ALL_THE_SAME', 'BACK_TO', 'TAKE_BACK', 'SPLICE', 'NEW_STRAND', 'NEW_PART', 'GIVE_UP',
     'RESIZE', 'NOTE', 'NOTE_TAKEN_BACK'));
