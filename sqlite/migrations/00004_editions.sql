-- +goose Up

-- A plan is kept whole: its document, rows and all, and the second sock's where it is knitted otherwise.
-- Plans of before get theirs in the next step; one that cannot be made any more keeps none.
ALTER TABLE plans ADD COLUMN document TEXT CHECK (document IS NULL OR json_valid(document));
ALTER TABLE plans ADD COLUMN second TEXT CHECK (second IS NULL OR json_valid(second));
ALTER TABLE plans ADD COLUMN heel_place TEXT NOT NULL DEFAULT '';
-- Where each place of the version before lies in this one.
ALTER TABLE plans ADD COLUMN places TEXT CHECK (places IS NULL OR json_valid(places));
ALTER TABLE plans ADD COLUMN said_offer TEXT NOT NULL DEFAULT '';
