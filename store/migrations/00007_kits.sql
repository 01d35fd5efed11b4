-- +goose Up
-- What the shop sells: kits, each holding its pieces as they were when they were put in. Every
-- save is a version; revision is the number of the one that stands.
CREATE TABLE kits (
    id         uuid PRIMARY KEY,
    name       text        NOT NULL,
    document   jsonb       NOT NULL,
    revision   integer     NOT NULL,
    created_at timestamptz NOT NULL,
    updated_at timestamptz NOT NULL,
    deleted_at timestamptz,
    about      text GENERATED ALWAYS AS (words(name, document->>'notes')) STORED
);
CREATE INDEX kits_updated ON kits (updated_at DESC, id) WHERE deleted_at IS NULL;
CREATE INDEX kits_about ON kits USING gin (about gin_trgm_ops);
CREATE INDEX kits_deleted ON kits (deleted_at) WHERE deleted_at IS NOT NULL;

CREATE TABLE kit_versions (
    kit_id     uuid        NOT NULL REFERENCES kits (id) ON DELETE CASCADE,
    number     integer     NOT NULL,
    aside      boolean     NOT NULL DEFAULT false, -- refused, because somebody else had saved
    document   jsonb       NOT NULL,
    created_at timestamptz NOT NULL,
    PRIMARY KEY (kit_id, number)
);

-- How the shop packs and prices: one row, empty until somebody has said.
CREATE TABLE sellings (
    id         integer PRIMARY KEY CHECK (id = 1),
    document   jsonb       NOT NULL DEFAULT '{}',
    revision   bigint      NOT NULL DEFAULT 1,
    updated_at timestamptz NOT NULL DEFAULT now()
);
INSERT INTO sellings (id) VALUES (1);

-- +goose Down
DROP TABLE sellings;
DROP TABLE kit_versions;
DROP TABLE kits;
