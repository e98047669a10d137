-- Counts how often a list was planned or left by pieces, apart from its cuts: who looks at it reads it anew for that alone.
alter table cut_list add column plan int not null default 0;

-- How far each spool is: what benches ask for again and again.
create index cut_step_done on cut_step (cut_spool_id, kind) where done_at is not null;
