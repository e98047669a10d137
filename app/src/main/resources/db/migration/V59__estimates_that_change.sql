-- What pieces are thought to cost changes when they are worked out anew: their batch is told of that too.
create trigger estimate_was after update on piece_estimate referencing old table as was_before
    for each statement execute function estimate_gone();
create trigger estimate_is after update on piece_estimate referencing new table as is_now
    for each statement execute function estimate_come();
update batch b set estimated_used = s.estimated_used, estimated_tails = s.estimated_tails, estimated_hardware = s.estimated_hardware
from batch_sums s
where s.id = b.id and (b.estimated_used, b.estimated_tails, b.estimated_hardware)
    is distinct from (s.estimated_used, s.estimated_tails, s.estimated_hardware);
