-- +goose Up
-- Every server hears when the catalogue or the house method changes, whichever of them changed it.
-- +goose StatementBegin
CREATE FUNCTION tell_moved() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    PERFORM pg_notify('moved', '');
    RETURN NULL;
END
$$;
-- +goose StatementEnd
CREATE TRIGGER materials_moved AFTER INSERT OR UPDATE OR DELETE ON materials FOR EACH STATEMENT EXECUTE FUNCTION tell_moved();
CREATE TRIGGER shops_moved AFTER UPDATE ON shops FOR EACH STATEMENT EXECUTE FUNCTION tell_moved();

-- +goose Down
DROP TRIGGER shops_moved ON shops;
DROP TRIGGER materials_moved ON materials;
DROP FUNCTION tell_moved;
