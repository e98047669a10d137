-- The hand that ties, the language and the units of each person. Without a language it is the house's.
alter table person
    add column hand text not null default 'RIGHT' check (hand in ('LEFT', 'RIGHT')),
    add column language text not null default '' check (char_length(language) <= 35),
    add column units text not null default 'METRIC' check (units in ('METRIC', 'IMPERIAL'));
