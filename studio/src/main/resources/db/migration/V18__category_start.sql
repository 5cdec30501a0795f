-- Patches from which the new ones of a category begin. One that has left its collection, or lies in the trash, does not count.
create table category_start (
    collection_id bigint not null references collection on delete cascade,
    category      text   not null,
    patch_id      bigint not null references patch on delete cascade,
    primary key (collection_id, category)
);
create index category_start_patch on category_start (patch_id);
