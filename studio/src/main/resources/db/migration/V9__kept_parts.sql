-- Parts of patches that people keep to start from, for all patches of a collection.
create table kept_part (
    id            bigint generated always as identity primary key,
    collection_id bigint not null references collection on delete cascade,
    kind          text not null,
    name          text not null check (length(name) between 1 and 60),
    part          text not null,
    content       text not null,
    kept_at       timestamptz not null default now(),
    unique (collection_id, kind, name)
);
