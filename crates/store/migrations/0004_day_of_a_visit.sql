-- A visit is on a day from 1900 to 2199. Days outside came to be kept as no day at all, and a list with one in it could not be
-- read: such a visit is taken to have been on the day on which it was begun.
SET @kept_mode = @@SESSION.sql_mode;
SET SESSION sql_mode = '';
UPDATE visit SET on_date = DATE(created_at) WHERE on_date < '1900-01-01' OR on_date > '2199-12-31';
SET SESSION sql_mode = @kept_mode;

ALTER TABLE visit ADD CONSTRAINT visit_day CHECK (on_date BETWEEN '1900-01-01' AND '2199-12-31');
