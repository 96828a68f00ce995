-- Length of one breath of a person, tapped along; null: the usual one stands in.
alter table client add column breath_s numeric(4, 1) check (breath_s between 3 and 20);
