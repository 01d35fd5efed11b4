-- +goose Up
-- The shop's own way of working: one row.
CREATE TABLE shops (
    id         integer PRIMARY KEY CHECK (id = 1),
    house      jsonb       NOT NULL DEFAULT '{}',
    revision   bigint      NOT NULL DEFAULT 1,
    updated_at timestamptz NOT NULL DEFAULT now()
);
INSERT INTO shops (id) VALUES (1);

-- A version keeps the house method it was made by, so that an old plan stays as
-- it was printed.
ALTER TABLE versions ADD COLUMN house jsonb NOT NULL DEFAULT '{}';

-- +goose Down
ALTER TABLE versions DROP COLUMN house;
DROP TABLE shops;
