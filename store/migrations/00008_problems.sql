-- +goose Up
-- How many problems a piece has, apart from what is short of stock; and what it takes, which is held
-- against the stock when a list is shown. Pieces of before are figured once more.
ALTER TABLE pieces ADD COLUMN problems integer NOT NULL DEFAULT 0;
ALTER TABLE pieces ADD COLUMN takes jsonb NOT NULL DEFAULT '[]';
UPDATE pieces SET figured = 0;

-- +goose Down
ALTER TABLE pieces DROP COLUMN takes;
ALTER TABLE pieces DROP COLUMN problems;
