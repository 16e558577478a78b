-- +goose Up

-- Up to how many rows done the version before and this one are the same sock, for each sock of the pair: a tick of the version
-- before that is heard later and says more was made on rows that became others. Versions of before do not say.
ALTER TABLE plans ADD COLUMN holds TEXT CHECK (holds IS NULL OR json_valid(holds));

-- Which store this is. A copy that is put in the place of another is another one, and knows of nothing after a moment.
CREATE TABLE identity (
    one      INTEGER PRIMARY KEY CHECK (one = 1),
    id       TEXT NOT NULL,
    knows_ms INTEGER NOT NULL DEFAULT 0
) STRICT;

-- The days on which the program ran: a clock that jumps is no day that passed.
CREATE TABLE seen_days (day TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;

-- A lent link ends with the passphrase under which it was made; those of before are taken for today's.
ALTER TABLE shares ADD COLUMN key TEXT NOT NULL DEFAULT '';
