-- +goose Up
-- Pieces that are worn together are found by the name they share.
CREATE INDEX pieces_stack ON pieces ((document->>'stack')) WHERE deleted_at IS NULL AND document->>'stack' IS NOT NULL;

-- +goose Down
DROP INDEX pieces_stack;
