-- How an instructor arranged a session by hand: order, sets, sides, rests, what is cut.
alter table session add column arranged jsonb;
