-- +goose Up
CREATE TABLE wearers (
    id         TEXT PRIMARY KEY,
    revision   INTEGER NOT NULL CHECK (revision >= 1),
    name       TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    cautions   TEXT NOT NULL CHECK (json_valid(cautions)),
    note       TEXT NOT NULL DEFAULT '',
    created_ms INTEGER NOT NULL,
    updated_ms INTEGER NOT NULL,
    deleted_ms INTEGER
) STRICT;

-- A measurement is never changed: a new one is added, and a wrong one is taken out.
CREATE TABLE measurements (
    id             TEXT PRIMARY KEY,
    wearer_id      TEXT NOT NULL REFERENCES wearers (id),
    side           TEXT NOT NULL CHECK (side IN ('left', 'right')),
    what           TEXT NOT NULL,
    length_mm      REAL NOT NULL CHECK (length_mm > 0),
    measured_on    TEXT NOT NULL,
    source         TEXT NOT NULL CHECK (source IN ('tape', 'tracing', 'shoe', 'guess')),
    uncertainty_mm REAL NOT NULL DEFAULT 0,
    created_ms     INTEGER NOT NULL,
    deleted_ms     INTEGER
) STRICT;

CREATE INDEX measurements_of_wearer ON measurements (wearer_id, measured_on);

CREATE TABLE tracings (
    id          TEXT PRIMARY KEY,
    wearer_id   TEXT NOT NULL REFERENCES wearers (id),
    side        TEXT NOT NULL CHECK (side IN ('left', 'right')),
    measured_on TEXT NOT NULL,
    points      TEXT NOT NULL CHECK (json_valid(points)),
    preview     TEXT NOT NULL,
    created_ms  INTEGER NOT NULL,
    deleted_ms  INTEGER
) STRICT;

CREATE INDEX tracings_of_wearer ON tracings (wearer_id);

CREATE TABLE yarns (
    id         TEXT PRIMARY KEY,
    revision   INTEGER NOT NULL CHECK (revision >= 1),
    name       TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    ball_g     REAL NOT NULL CHECK (ball_g > 0),
    ball_m     REAL NOT NULL CHECK (ball_m > 0),
    fibre      TEXT NOT NULL DEFAULT '',
    note       TEXT NOT NULL DEFAULT '',
    created_ms INTEGER NOT NULL,
    updated_ms INTEGER NOT NULL,
    deleted_ms INTEGER
) STRICT;

CREATE TABLE needles (
    id         TEXT PRIMARY KEY,
    revision   INTEGER NOT NULL CHECK (revision >= 1),
    size_mm    REAL NOT NULL CHECK (size_mm > 0),
    name       TEXT NOT NULL DEFAULT '',
    created_ms INTEGER NOT NULL,
    updated_ms INTEGER NOT NULL,
    deleted_ms INTEGER
) STRICT;

CREATE TABLE swatches (
    id         TEXT PRIMARY KEY,
    revision   INTEGER NOT NULL CHECK (revision >= 1),
    yarn_id    TEXT NOT NULL REFERENCES yarns (id),
    needle_id  TEXT NOT NULL REFERENCES needles (id),
    form       TEXT NOT NULL CHECK (form IN ('round', 'flat', 'sock')),
    washed     INTEGER NOT NULL CHECK (washed IN (0, 1)),
    note       TEXT NOT NULL DEFAULT '',
    created_ms INTEGER NOT NULL,
    updated_ms INTEGER NOT NULL,
    deleted_ms INTEGER
) STRICT;

CREATE TABLE readings (
    id         TEXT PRIMARY KEY,
    swatch_id  TEXT NOT NULL REFERENCES swatches (id),
    what       TEXT NOT NULL CHECK (what IN ('stitches', 'rounds')),
    count      REAL NOT NULL CHECK (count > 0),
    width_mm   REAL NOT NULL CHECK (width_mm > 0),
    created_ms INTEGER NOT NULL,
    deleted_ms INTEGER
) STRICT;

CREATE INDEX readings_of_swatch ON readings (swatch_id);

-- A sock refers to a foot and a swatch as they were when it took them.
ALTER TABLE socks ADD COLUMN cast_on INTEGER NOT NULL DEFAULT 0;
ALTER TABLE socks ADD COLUMN notes TEXT NOT NULL DEFAULT '';
ALTER TABLE socks ADD COLUMN wearer_id TEXT REFERENCES wearers (id);
ALTER TABLE socks ADD COLUMN foot_taken TEXT CHECK (foot_taken IS NULL OR json_valid(foot_taken));
ALTER TABLE socks ADD COLUMN swatch_id TEXT REFERENCES swatches (id);
ALTER TABLE socks ADD COLUMN swatch_taken TEXT CHECK (swatch_taken IS NULL OR json_valid(swatch_taken));

CREATE INDEX socks_of_wearer ON socks (wearer_id) WHERE wearer_id IS NOT NULL;
CREATE INDEX socks_of_swatch ON socks (swatch_id) WHERE swatch_id IS NOT NULL;

CREATE TABLE versions (
    id         TEXT PRIMARY KEY,
    sock_id    TEXT NOT NULL REFERENCES socks (id),
    name       TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
    draft      TEXT NOT NULL CHECK (json_valid(draft)),
    created_ms INTEGER NOT NULL,
    deleted_ms INTEGER
) STRICT;

CREATE INDEX versions_of_sock ON versions (sock_id, created_ms);

-- What a wearer, yarn, needle or swatch was at each revision.
CREATE TABLE history (
    kind     TEXT NOT NULL,
    id       TEXT NOT NULL,
    revision INTEGER NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    at_ms    INTEGER NOT NULL,
    PRIMARY KEY (kind, id, revision)
) STRICT, WITHOUT ROWID;
