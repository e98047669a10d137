-- Where the house's days begin decides what was used up and cut on which: with another zone both are summed again.
create function zone_moved() returns trigger language plpgsql as $$
begin
    delete from usage_day;
    update usage_summed set until = null;
    update cut_list set summed = false where summed;
    return null;
end $$;
create trigger zone_moved after update of zone on workshop
    for each row when (old.zone is distinct from new.zone) execute function zone_moved();
