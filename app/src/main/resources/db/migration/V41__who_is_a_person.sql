-- Who did something is a person, with the name as it was then beside it. The person is told from the name when the row is written:
-- names are unique, and whoever is signed in writes theirs. What is nobody's name, or was typed, keeps the name alone; nothing is
-- guessed, and bin/restis verify lists it.
create function person_named(name_then text) returns bigint language sql stable as $$
    select id from person where lower(name) = lower(name_then) and name = name_then
$$;

-- Where a name stands, and where its person.
create table named_person (
    table_name text not null,
    name_column text not null,
    person_column text not null,
    primary key (table_name, name_column)
);
insert into named_person (table_name, name_column, person_column) values
    ('ledger', 'who', 'person_id'),
    ('customer_order', 'created_by', 'created_by_id'),
    ('batch', 'created_by', 'created_by_id'),
    ('cut_list', 'confirmed_by', 'confirmed_by_id'),
    ('cut_step', 'done_by', 'done_by_id'),
    ('cut_spool', 'in_hand_of', 'in_hand_of_id'),
    ('strand', 'tail_short_by', 'tail_short_by_id'),
    ('order_event', 'who', 'person_id'),
    ('order_line', 'accepted_by', 'accepted_by_id'),
    ('quote', 'who', 'person_id'),
    ('delivery', 'settled_by', 'settled_by_id'),
    ('holding_event', 'who', 'person_id'),
    ('purchase', 'who', 'person_id'),
    ('purchase', 'closed_by', 'closed_by_id'),
    ('receipt', 'who', 'person_id'),
    ('stocktake', 'started_by', 'started_by_id'),
    ('stocktake', 'booked_by', 'booked_by_id'),
    ('stocktake_line', 'counted_by', 'counted_by_id'),
    ('pattern_version', 'created_by', 'created_by_id'),
    ('pattern_withdrawn', 'who', 'person_id'),
    ('own_stitch', 'who', 'person_id'),
    ('swatch', 'maker', 'maker_id'),
    ('swatch', 'who', 'person_id');

do $$
declare
    place record;
begin
    for place in select * from named_person order by table_name, name_column loop
        execute format('alter table %I add column %I bigint references person', place.table_name, place.person_column);
        -- What happened is not rewritten; that somebody did it is only told again.
        execute format('alter table %I disable trigger user', place.table_name);
        execute format('update %I t set %I = p.id from person p where p.name = t.%I',
                       place.table_name, place.person_column, place.name_column);
        execute format('alter table %I enable trigger user', place.table_name);
        execute format($f$
            create function %1$I() returns trigger language plpgsql as $b$
            begin
                if tg_op = 'INSERT' or new.%2$I is distinct from old.%2$I then
                    new.%3$I := person_named(new.%2$I);
                end if;
                return new;
            end $b$ $f$, place.table_name || '_' || place.name_column || '_is', place.name_column, place.person_column);
        execute format('create trigger %1$I before insert or update of %2$I on %3$I for each row execute function %1$I()',
                       place.table_name || '_' || place.name_column || '_is', place.name_column, place.table_name);
    end loop;
end $$;

-- Names that are nobody's: where, which, and how often.
create function names_of_nobody() returns table (place text, name text, times bigint) language plpgsql stable as $$
declare
    here record;
begin
    for here in select * from named_person order by table_name, name_column loop
        return query execute format('select %L, %I, count(*) from %I where %I is null and %I <> %L group by %I',
            here.table_name || '.' || here.name_column, here.name_column, here.table_name, here.person_column, here.name_column, '',
            here.name_column);
    end loop;
    return query select 'piece_event.who', e.who, count(*) from piece_event e where e.person_id is null and e.who <> '' group by e.who;
end $$;
