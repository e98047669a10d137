-- A note beside the steps: what a refused act would have said, or minutes that no timer counted.
alter table bench_act drop constraint bench_act_act_check;
alter table bench_act add constraint bench_act_act_check check (act in
    ('TAKE', 'LAY_DOWN', 'DONE', 'NOT_YET', 'ALL_THE_SAME', 'BACK_TO', 'TAKE_BACK', 'SPLICE', 'NEW_STRAND', 'NEW_PART', 'GIVE_UP',
     'NOTE', 'NOTE_TAKEN_BACK'));
-- The names that PostgreSQL gave to the two that say when there is a step, and when an act takes one back.
do $$
declare
    rule record;
begin
    for rule in select conname from pg_constraint
                where conrelid = 'bench_act'::regclass and contype = 'c'
                  and (pg_get_constraintdef(oid) like '%takes_back%' or pg_get_constraintdef(oid) like '%LAY_DOWN%step%')
    loop
        execute format('alter table bench_act drop constraint %I', rule.conname);
    end loop;
end $$;
alter table bench_act
    -- What a refused act would have done.
    add column would_be text check (would_be in ('DONE', 'NOT_YET', 'ALL_THE_SAME', 'BACK_TO', 'TAKE_BACK')),
    add constraint bench_act_takes_back check ((act in ('TAKE_BACK', 'NOTE_TAKEN_BACK')) = (takes_back is not null)),
    add constraint bench_act_has_step check ((act in ('TAKE', 'LAY_DOWN')) = (step is null)),
    add constraint bench_act_note_says check (act <> 'NOTE' or reason <> '' or seconds is not null or would_be is not null),
    add constraint bench_act_only_notes_would_be check (act = 'NOTE' or would_be is null);
