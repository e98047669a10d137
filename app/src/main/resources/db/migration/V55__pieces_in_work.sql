-- What is between planned and sent is asked for each morning; most pieces are long gone, or nobody has begun with them.
create index piece_in_work on piece (line_id) where stage > 'OPEN' and stage < 'SENT';
drop index piece_made;
