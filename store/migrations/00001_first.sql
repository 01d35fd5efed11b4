-- +goose Up
CREATE TABLE materials (
    id         text PRIMARY KEY,
    class      text        NOT NULL,
    name       text        NOT NULL,
    document   jsonb       NOT NULL,
    colour     text        NOT NULL DEFAULT '',
    on_hand    integer     NOT NULL DEFAULT 0,
    retired    boolean     NOT NULL DEFAULT false,
    revision   bigint      NOT NULL DEFAULT 1,
    updated_at timestamptz NOT NULL
);

CREATE INDEX materials_order ON materials (class, name, id);

-- A piece's document is its draft: the state of its last save, with its own
-- copies of the materials it uses.
CREATE TABLE pieces (
    id          uuid PRIMARY KEY,
    name        text        NOT NULL,
    kind        text        NOT NULL,
    tags        jsonb       NOT NULL DEFAULT '[]',
    document    jsonb       NOT NULL,
    revision    bigint      NOT NULL DEFAULT 1,
    finished_mm double precision,
    beads       integer     NOT NULL DEFAULT 0,
    worst       text        NOT NULL DEFAULT '',
    created_at  timestamptz NOT NULL,
    updated_at  timestamptz NOT NULL,
    deleted_at  timestamptz
);
CREATE INDEX pieces_updated ON pieces (updated_at DESC) WHERE deleted_at IS NULL;

-- A version never changes. Number counts up within its piece.
CREATE TABLE versions (
    piece_id   uuid        NOT NULL REFERENCES pieces (id),
    number     integer     NOT NULL,
    reason     text        NOT NULL,
    label      text        NOT NULL DEFAULT '',
    document   jsonb       NOT NULL,
    created_at timestamptz NOT NULL,
    PRIMARY KEY (piece_id, number)
);

-- +goose Down
DROP TABLE versions;
DROP TABLE pieces;
DROP TABLE materials;
