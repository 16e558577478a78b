-- +goose Up

-- What was put aside for a sock is a variant of it, and a plan from which it is knitted is an edition: they are called so
-- everywhere. Indexes and references follow by themselves.
ALTER TABLE versions RENAME TO variants;
ALTER TABLE plans RENAME TO editions;
