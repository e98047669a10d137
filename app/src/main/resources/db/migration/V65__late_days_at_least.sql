-- Late days that any plan has at least; nothing where that was not worked out.
alter table work_plan add column least_late_days bigint;
