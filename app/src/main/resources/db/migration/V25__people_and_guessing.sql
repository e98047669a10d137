-- Somebody who leaves keeps their name in the books, and no way in.
alter table person add column ended_at timestamptz;

-- Wrong passwords, counted by where they come from: by address alone, and by name and address together, so that nobody can keep
-- another out by guessing at their name from elsewhere. One statement counts and judges.
drop table sign_in_failure;
create table sign_in_guess (
    key text primary key,
    count int not null,
    since timestamptz not null
);
create index sign_in_guess_since on sign_in_guess (since);
