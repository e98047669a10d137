-- The day that was promised to a customer; that and each before it stand in what happened to the order.
alter table customer_order add column promised date;
