-- +goose Up

-- Up to how many rows done the version before and this one are the same sock, for each sock of the pair: a tick of the version
-- before that is heard later and says more was made on rows that became others. Versions of before do not say.
ALTER TABLE plans ADD COLUMN holds TEXT CHECK (holds IS NULL OR json_valid(holds));
