-- What a form said when it came first: the same filling-in with other content is no copy of it. Null where it came before this was kept.
alter table sent_form add column content text;
