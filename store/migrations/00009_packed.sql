-- +goose Up
-- What of a bag is packed already. A thing is named by what it is and how much of it, so that what has
-- changed since is to be packed again.
CREATE TABLE packed (
    kit_id uuid        NOT NULL REFERENCES kits (id) ON DELETE CASCADE,
    cell   text        NOT NULL,
    thing  text        NOT NULL,
    at     timestamptz NOT NULL,
    PRIMARY KEY (kit_id, cell, thing)
);

-- +goose Down
DROP TABLE packed;
