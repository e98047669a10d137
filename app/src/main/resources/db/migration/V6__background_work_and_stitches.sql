-- Work in the background, in the shape that db-scheduler asks for.
create table scheduled_tasks (
    task_name text not null,
    task_instance text not null,
    task_data bytea,
    execution_time timestamptz not null,
    picked boolean not null,
    picked_by text,
    last_success timestamptz,
    last_failure timestamptz,
    consecutive_failures int,
    last_heartbeat timestamptz,
    version bigint not null,
    priority smallint,
    primary key (task_name, task_instance)
);
create index scheduled_tasks_by_time on scheduled_tasks (execution_time);
create index scheduled_tasks_by_heartbeat on scheduled_tasks (last_heartbeat);
create index scheduled_tasks_by_priority on scheduled_tasks (priority desc, execution_time asc);

-- Stitches pulled tight in gauges that no lines are shipped for.
create table centre_line (
    key text primary key,
    stitch text not null,
    cores int not null,
    core_ratio double precision not null check (core_ratio > 0),
    side_ratio double precision not null check (side_ratio > 0),
    state text not null check (state in ('WAITING', 'RUNNING', 'KNOT', 'NO_KNOT')),
    progress real not null default 0 check (progress between 0 and 1),
    rows text not null default '',
    reason text not null default '',
    asked_at timestamptz not null default now()
);

-- A stitch of one's own may have a path, and needs no swatch then.
alter table own_stitch add column definition text;
alter table own_stitch alter column strands drop not null;
alter table own_stitch alter column cores drop not null;
alter table own_stitch alter column use_d drop not null;
alter table own_stitch alter column pitch_d drop not null;
alter table own_stitch alter column thickness_d drop not null;
alter table own_stitch alter column width_d drop not null;
alter table own_stitch add constraint path_or_swatch check ((definition is null) = (use_d is not null));
