-- What became of pieces, and what went wrong with them on the way, each with the maker who began the piece last.
create index piece_event_that_tells on piece_event (at) where act in ('FINISH', 'REDO', 'GIVE_UP');
create view piece_tale as
    select t.*, coalesce((select string_agg(distinct a.material, '+' order by a.material)
                          from strand n join article a on a.id = n.article_id where n.piece_id = t.piece_id), '') as material
    from (select e.id, e.piece_id, e.at, e.act as kind, '' as mishap, e.reason,
                 coalesce((select s.who from piece_event s
                           where s.piece_id = e.piece_id and s.act = 'START' and s.id < e.id order by s.id desc limit 1), e.who) as maker
          from piece_event e
          where e.act in ('FINISH', 'REDO', 'GIVE_UP') and not exists (select from piece_event b where b.takes_back = e.id)
          union all
          select -a.id, a.piece_id, a.at, 'MEND', a.mishap, a.reason, a.who
          from bench_act a where a.act in ('SPLICE', 'NEW_STRAND', 'NEW_PART')) t;
