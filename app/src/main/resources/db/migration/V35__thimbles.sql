-- A thimble: a grooved eye in which the middle of a band lies.
alter table article drop constraint article_kind;
alter table article add constraint article_kind check (kind in ('CORD', 'BEAD', 'SLIDE_BEAD', 'RING', 'CLASP', 'BUCKLE',
    'SHACKLE', 'THIMBLE', 'CENTREPIECE', 'BUTTON', 'BREAKAWAY', 'CHARM', 'CONSUMABLE'));
alter table article drop constraint article_measures;
alter table article add constraint article_measures check (
    case when kind = 'CORD' then material is not null and diameter_um is not null and keep_um is not null
    else (length_um is not null) = (kind in ('BEAD', 'SLIDE_BEAD', 'CLASP', 'BUCKLE', 'SHACKLE', 'THIMBLE', 'CENTREPIECE',
                                             'BREAKAWAY'))
        and (diameter_um is not null) = (kind in ('BEAD', 'SLIDE_BEAD', 'BUTTON', 'CHARM'))
        and (hole_um is not null) = (kind in ('BEAD', 'SLIDE_BEAD', 'BREAKAWAY'))
        and (inner_width_um is not null) = (kind in ('RING', 'CLASP', 'BUCKLE', 'SHACKLE', 'THIMBLE', 'CENTREPIECE'))
        and (bar_um is not null) = (kind in ('RING', 'CLASP', 'BUCKLE', 'SHACKLE', 'THIMBLE', 'CENTREPIECE', 'BUTTON', 'CHARM'))
    end);
