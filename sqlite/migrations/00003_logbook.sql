-- +goose Up

-- The plan a sock is knitted from. A plan that changes keeps its old versions.
CREATE TABLE plans (
    sock_id    TEXT NOT NULL REFERENCES socks (id),
    version    INTEGER NOT NULL CHECK (version >= 1),
    design     TEXT NOT NULL CHECK (json_valid(design)),
    reason     TEXT NOT NULL DEFAULT '',
    created_ms INTEGER NOT NULL,
    PRIMARY KEY (sock_id, version)
) STRICT, WITHOUT ROWID;

-- What happened, in the order in which it was heard. Nothing is ever changed or deleted here.
CREATE TABLE events (
    seq         INTEGER PRIMARY KEY AUTOINCREMENT,
    id          TEXT NOT NULL UNIQUE,
    sock_id     TEXT NOT NULL REFERENCES socks (id),
    document    TEXT NOT NULL CHECK (json_valid(document)),
    received_ms INTEGER NOT NULL
) STRICT;

CREATE INDEX events_of_sock ON events (sock_id, seq);
