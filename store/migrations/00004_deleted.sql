-- +goose Up
-- Deleted pieces are listed, and kept for as many days as the shop sets.
ALTER TABLE shops ADD COLUMN keep_deleted_days integer NOT NULL DEFAULT 90 CHECK (keep_deleted_days BETWEEN 1 AND 3650);
CREATE INDEX pieces_deleted ON pieces (deleted_at) WHERE deleted_at IS NOT NULL;

-- +goose Down
DROP INDEX pieces_deleted;
ALTER TABLE shops DROP COLUMN keep_deleted_days;
