-- +goose Up

-- What happened to one sock of a pair and is still to be decided for the other.
ALTER TABLE editions ADD COLUMN undecided TEXT CHECK (undecided IS NULL OR json_valid(undecided));
