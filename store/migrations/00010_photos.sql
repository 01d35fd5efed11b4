-- +goose Up
-- Photographs of a material, a piece, one of its versions, or a kit. The first in order is the cover.
CREATE TABLE photos (
    id          uuid        PRIMARY KEY,
    material_id text        REFERENCES materials (id) ON DELETE CASCADE,
    piece_id    uuid        REFERENCES pieces (id) ON DELETE CASCADE,
    version     integer,
    kit_id      uuid        REFERENCES kits (id) ON DELETE CASCADE,
    place       integer     NOT NULL,
    width       integer     NOT NULL,
    height      integer     NOT NULL,
    large       bytea       NOT NULL,
    medium      bytea       NOT NULL,
    small       bytea       NOT NULL,
    created_at  timestamptz NOT NULL,
    deleted_at  timestamptz,
    CHECK (num_nonnulls(material_id, piece_id, kit_id) = 1),
    CHECK (version IS NULL OR piece_id IS NOT NULL),
    FOREIGN KEY (piece_id, version) REFERENCES versions (piece_id, number) ON DELETE CASCADE
);
-- They are compressed already.
ALTER TABLE photos ALTER large SET STORAGE EXTERNAL, ALTER medium SET STORAGE EXTERNAL, ALTER small SET STORAGE EXTERNAL;
CREATE INDEX photos_material ON photos (material_id, place) WHERE material_id IS NOT NULL;
CREATE INDEX photos_piece ON photos (piece_id, version, place) WHERE piece_id IS NOT NULL;
CREATE INDEX photos_kit ON photos (kit_id, place) WHERE kit_id IS NOT NULL;

-- +goose Down
DROP TABLE photos;
