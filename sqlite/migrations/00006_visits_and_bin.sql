-- +goose Up

-- Who is logged in. The token itself is on the device alone.
CREATE TABLE visits (
    hash     TEXT PRIMARY KEY,
    key      TEXT NOT NULL,
    device   TEXT NOT NULL,
    began_ms INTEGER NOT NULL,
    seen_ms  INTEGER NOT NULL,
    ends_ms  INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

-- What was removed for ever: nothing of it is kept but that it was. A sock may still name it on some device.
CREATE TABLE removed (
    id         TEXT PRIMARY KEY,
    kind       TEXT NOT NULL,
    removed_ms INTEGER NOT NULL
) STRICT, WITHOUT ROWID;
