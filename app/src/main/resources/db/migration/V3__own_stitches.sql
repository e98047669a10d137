-- Stitches known by a swatch alone, in worked diameters of the working cord. Patterns carry their own copy.
create table own_stitch (
    code text primary key check (code ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
    name text not null,
    strands int not null check (strands between 1 and 6),
    cores int not null check (cores between 0 and 8),
    use_d double precision not null check (use_d > 0),
    pitch_d double precision not null check (pitch_d > 0),
    thickness_d double precision not null check (thickness_d > 0),
    width_d double precision not null check (width_d > 0),
    at timestamptz not null,
    who text not null
);
