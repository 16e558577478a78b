-- +goose Up

-- What was practised on the screen, and how often without a fault: it belongs to whoever keeps the basket, not to one device.
CREATE TABLE practised (
    lesson TEXT PRIMARY KEY,
    runs   INTEGER NOT NULL CHECK (runs > 0)
) STRICT, WITHOUT ROWID;
