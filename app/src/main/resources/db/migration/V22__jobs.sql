-- Long work, on whichever instance has time for it: what was asked for, how far it is, whether it is still wanted, and what came
-- of it. Its turn is db-scheduler's, whose heartbeat finds out when an instance was killed.
create table job (
    id bigint generated always as identity primary key,
    kind text not null,
    -- What it works on, and as it was then: a result for something that has changed since is not laid down.
    subject text not null,
    revision int not null default 0,
    state text not null check (state in ('WAITING', 'RUNNING', 'DONE', 'FAILED', 'STOPPED')),
    wanted boolean not null default true,
    done int not null default 0,
    whole int not null default 0,
    input jsonb not null default '{}',
    payload bytea,
    -- As JSON of its kind, or why it failed, by codes and figures.
    result jsonb,
    problem jsonb,
    asked_by text not null,
    asked_at timestamptz not null,
    started_at timestamptz,
    ended_at timestamptz,
    version int not null default 0
);
create index job_in_work on job (kind, subject) where state in ('WAITING', 'RUNNING');
create index job_ended on job (ended_at) where ended_at is not null;

-- Imports are jobs now, and stitches wait for their turn as such.
drop table import_progress;
delete from scheduled_tasks where task_name = 'pull-tight';
update centre_line set state = 'WAITING' where state = 'RUNNING';
alter table centre_line drop column progress;
alter table centre_line drop constraint centre_line_state_check;
alter table centre_line add constraint centre_line_state_check check (state in ('WAITING', 'KNOT', 'NO_KNOT'));
