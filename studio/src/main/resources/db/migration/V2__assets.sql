-- Sound files that patches refer to by the hash of their content, and which collections have them under which name.

create table asset (
    hash     char(64)    not null primary key,
    key      bigint      not null,
    content  bytea       not null,
    frames   int         not null check (frames > 0),
    channels int         not null check (channels in (1, 2)),
    rate     int         not null,
    added_at timestamptz not null default now()
);
create index asset_key on asset (key);

create table collection_asset (
    collection_id bigint      not null references collection on delete cascade,
    hash          char(64)    not null references asset,
    name          text        not null check (length(name) between 1 and 80),
    added_at      timestamptz not null default now(),
    primary key (collection_id, hash)
);
