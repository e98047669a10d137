-- Several instances that each take numbers in advance give a later act a smaller one: what is read in the order of its numbers
-- takes them one by one, under the lock of its piece. What an instance has in hand already is passed over.
alter sequence piece_event_number increment by 1;
alter sequence bench_act_number increment by 1;
alter sequence left_over_number increment by 1;
alter sequence bench_set_up_number increment by 1;
select setval('piece_event_number', (select last_value + 50 from piece_event_number), false),
       setval('bench_act_number', (select last_value + 50 from bench_act_number), false),
       setval('left_over_number', (select last_value + 50 from left_over_number), false),
       setval('bench_set_up_number', (select last_value + 50 from bench_set_up_number), false);
