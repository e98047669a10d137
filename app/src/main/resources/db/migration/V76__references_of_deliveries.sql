-- As everywhere where Hibernate compares lists of words.
alter table delivery alter column order_references type varchar[];
