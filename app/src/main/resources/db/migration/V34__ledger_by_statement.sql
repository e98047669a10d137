-- Movements are written many at a time: their numbers come one by one from a sequence, in the order of the movements of each
-- holding, and what they do to holdings and lots is summed for all rows of a statement, see R__ledger.sql.
create sequence ledger_number;
select setval('ledger_number', (select coalesce(max(id), 0) + 1 from ledger), false);
alter table ledger alter column id drop identity;
alter table ledger alter column id set default nextval('ledger_number');
