-- A check says no, and the owner takes the piece all the same: which, why, who and when.
alter table order_line
    add column accepted text,
    add column accepted_reason text,
    add column accepted_by text,
    add column accepted_at timestamptz,
    add constraint order_line_accepted check (
        (accepted is null and accepted_reason is null and accepted_by is null and accepted_at is null)
        or (accepted is not null and length(accepted_reason) > 0 and accepted_by is not null and accepted_at is not null));
