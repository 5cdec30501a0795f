-- House rules as they were before each change, newest last, so that a change can be taken back.
create table house_rules_before (
    id            bigint generated always as identity primary key,
    collection_id bigint      not null references collection on delete cascade,
    rules         jsonb       not null,
    label         text        not null check (length(label) between 1 and 300),
    changed_at    timestamptz not null default now()
);
create index house_rules_before_collection on house_rules_before (collection_id, id);
