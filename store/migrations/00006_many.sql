-- +goose Up
-- A shop grows to 100,000 materials and many thousand pieces: what is searched for, sorted by and
-- shown in lists is kept beside the documents, by index.
CREATE EXTENSION IF NOT EXISTS pg_trgm;

-- What a search looks through: all words, each with a space before it, small, as written and without signs.
-- +goose StatementBegin
CREATE FUNCTION words(VARIADIC parts text[]) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
    SELECT lower(' ' || text || ' ' || translate(text, '-_/(),.;:"[]''#', '              ')) FROM (SELECT array_to_string(parts, ' ') AS text) AS joined
$$;
-- +goose StatementEnd
ALTER TABLE materials
    ADD COLUMN across_mm double precision GENERATED ALWAYS AS ((document->>'acrossMm')::double precision) STORED,
    ADD COLUMN hole_mm double precision GENERATED ALWAYS AS ((document->>'holeMm')::double precision) STORED,
    ADD COLUMN about text GENERATED ALWAYS AS (words(name, id, document->>'shape', document->>'type', document->>'metal', document->'look'->>'finish', colour,
        (document->>'acrossMm') || ' mm', (document->>'acrossMm') || ' × ' || (document->>'alongMm') || ' mm')) STORED,
    ADD COLUMN deleted_at timestamptz;
DROP INDEX materials_order;
CREATE INDEX materials_order ON materials (class, name, across_mm, id) WHERE deleted_at IS NULL;
CREATE INDEX materials_about ON materials USING gin (about gin_trgm_ops);
CREATE INDEX materials_metal ON materials ((document->>'metal')) WHERE deleted_at IS NULL AND document->>'metal' <> '';
CREATE INDEX materials_alike ON materials ((document->>'shape'), colour, across_mm) WHERE deleted_at IS NULL AND NOT retired;
CREATE INDEX materials_across ON materials ((document->>'shape'), across_mm) WHERE deleted_at IS NULL AND NOT retired;
CREATE INDEX materials_hole ON materials ((hole_mm + across_mm)) WHERE deleted_at IS NULL AND NOT retired AND hole_mm >= 1;
CREATE INDEX materials_deleted ON materials (deleted_at) WHERE deleted_at IS NOT NULL;

-- What an import of the catalogue overwrote, so that it can be undone.
CREATE TABLE imports (
    id        bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    name      text        NOT NULL,
    added     integer     NOT NULL,
    changed   integer     NOT NULL,
    at        timestamptz NOT NULL,
    undone_at timestamptz
);
CREATE TABLE import_rows (
    import_id   bigint NOT NULL REFERENCES imports (id) ON DELETE CASCADE,
    material_id text   NOT NULL,
    before      jsonb,           -- null where there was none
    revision    bigint NOT NULL, -- that the import made
    PRIMARY KEY (import_id, material_id)
);

-- What lists show of a piece follows from the house method too: figured is the revision of it that
-- this was worked out by, 0 for never.
ALTER TABLE pieces
    ADD COLUMN about text GENERATED ALWAYS AS (words(name, kind, tags::text, document->>'notes')) STORED,
    ADD COLUMN thumbnail jsonb,
    ADD COLUMN thumbnail_of text NOT NULL DEFAULT '', -- the revisions of the piece and of the house method it shows
    ADD COLUMN figured bigint NOT NULL DEFAULT 0;
DROP INDEX pieces_updated;
CREATE INDEX pieces_updated ON pieces (updated_at DESC, id) WHERE deleted_at IS NULL;
CREATE INDEX pieces_about ON pieces USING gin (about gin_trgm_ops);
CREATE INDEX pieces_figured ON pieces (figured) WHERE deleted_at IS NULL;

-- Copies that were set aside because somebody else had saved are kept so many days, named ones longer.
ALTER TABLE shops ADD COLUMN keep_aside_days integer NOT NULL DEFAULT 180 CHECK (keep_aside_days BETWEEN 1 AND 3650);

-- +goose Down
ALTER TABLE shops DROP COLUMN keep_aside_days;
DROP INDEX pieces_updated;
CREATE INDEX pieces_updated ON pieces (updated_at DESC) WHERE deleted_at IS NULL;
ALTER TABLE pieces DROP COLUMN about, DROP COLUMN thumbnail, DROP COLUMN thumbnail_of, DROP COLUMN figured;
DROP TABLE import_rows;
DROP TABLE imports;
DROP INDEX materials_order;
CREATE INDEX materials_order ON materials (class, name, id);
ALTER TABLE materials DROP COLUMN across_mm, DROP COLUMN hole_mm, DROP COLUMN about, DROP COLUMN deleted_at;
DROP FUNCTION words;
