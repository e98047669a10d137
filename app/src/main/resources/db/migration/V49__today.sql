-- What is made and not sent is asked for each morning; most pieces are long gone.
create index piece_made on piece (line_id) where stage >= 'MADE' and stage < 'SENT';
