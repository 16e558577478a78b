-- +goose Up

-- Links that let a friend read one pattern. Only the hash of a link is kept: it is shown once, when it is made.
CREATE TABLE shares (
    hash       TEXT PRIMARY KEY,
    sock_id    TEXT NOT NULL REFERENCES socks (id) ON DELETE CASCADE,
    created_ms INTEGER NOT NULL
);
CREATE INDEX shares_of_sock ON shares (sock_id);
