-- +goose Up
CREATE TABLE socks (
    id            TEXT PRIMARY KEY,
    revision      INTEGER NOT NULL CHECK (revision >= 1),
    name          TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
    wearer        TEXT NOT NULL DEFAULT '',
    draft         TEXT NOT NULL CHECK (json_valid(draft)),
    foot_stitches INTEGER NOT NULL DEFAULT 0,
    row_count     INTEGER NOT NULL DEFAULT 0,
    missing       TEXT NOT NULL DEFAULT '',
    created_ms    INTEGER NOT NULL,
    updated_ms    INTEGER NOT NULL,
    deleted_ms    INTEGER
) STRICT;

CREATE INDEX socks_in_basket ON socks (updated_ms DESC) WHERE deleted_ms IS NULL;
