-- +goose Up

-- A piece to practise on is knitted like a sock, but is none of the basket.
ALTER TABLE socks ADD COLUMN practice INTEGER NOT NULL DEFAULT 0;
