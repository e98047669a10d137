-- A tail that goes back on the shelf was not used up: days that are over are summed anew.
delete from usage_day;
update usage_summed set until = null;
