-- +goose Up

-- Where rows of the second sock's plan lie in the next version, where the two socks of a pair follow plans of their own.
ALTER TABLE plans ADD COLUMN second_places TEXT;

-- The design as the board had it when a version was decided, against which the board is held while the sock is knitted.
ALTER TABLE plans ADD COLUMN board TEXT;
