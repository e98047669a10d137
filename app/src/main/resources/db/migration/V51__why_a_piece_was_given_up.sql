-- Why a piece was given up or worked on again stands with its act, wherever it was said.
alter table piece_event add column reason text not null default '' check (length(reason) <= 400);
