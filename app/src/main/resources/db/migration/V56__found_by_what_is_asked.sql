-- A strand's left-over is asked whether a slider waits for it, and mends are counted among very many acts.
create index cut_trimming_by_source on cut_trimming (source_id);
create index bench_act_that_mends on bench_act (at) where act in ('SPLICE', 'NEW_STRAND', 'NEW_PART');
