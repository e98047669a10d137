-- A plan of very many strands is written in few statements: its spools and steps are numbered fifty at a time, as orders are.
create function numbered_by_fifty(counted text) returns void language plpgsql as $$
declare
    first bigint;
begin
    execute format('select coalesce(max(id), 0) + 1 from %I', counted) into first;
    execute format('alter table %I alter column id drop identity', counted);
    execute format('create sequence %I increment by 50 start with %s owned by %I.id', counted || '_number', first, counted);
    execute format('alter table %I alter column id set default nextval(%L)', counted, counted || '_number');
end $$;
select numbered_by_fifty('cut_spool'), numbered_by_fifty('cut_step');
drop function numbered_by_fifty(text);

-- Two indexes stood for the same: a movement is found by its time.
drop index ledger_at;
