-- Materials of cord with the factors that pieces are worked out by; the first seven are starting values.
create table material (
    code text primary key check (code ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
    version int not null default 0,
    name text not null,
    tension_factor numeric(4, 3) not null check (tension_factor between 0.5 and 1.1),
    hole_compression numeric(4, 3) not null check (hole_compression between 0.5 and 1.0),
    stiff boolean not null,
    heat_sealable boolean not null,
    frays boolean not null,
    fray_allowance_um bigint not null check (fray_allowance_um between 0 and 50000)
);
insert into material (code, name, tension_factor, hole_compression, stiff, heat_sealable, frays, fray_allowance_um) values
    ('polyester', 'Polyester', 0.95, 0.90, false, true, false, 3000),
    ('nylon', 'Nylon', 0.92, 0.85, false, true, false, 3000),
    ('waxed-polyester', 'Waxed polyester', 0.97, 0.95, false, true, false, 3000),
    ('cotton', 'Cotton', 0.92, 0.90, false, false, true, 15000),
    ('hemp', 'Hemp', 0.95, 0.95, false, false, true, 15000),
    ('leather', 'Leather', 1.00, 1.00, true, false, false, 3000),
    ('elastic', 'Elastic', 0.95, 0.80, false, false, false, 10000);
alter table article add foreign key (material) references material;
