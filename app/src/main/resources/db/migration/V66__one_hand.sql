-- A set that one maker is to tie, all of it.
alter table order_line add column one_hand boolean not null default false;
