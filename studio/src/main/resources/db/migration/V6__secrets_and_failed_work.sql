-- Keys that the database makes up for itself, background work that has failed for good, and indexes for what is looked up.

create table secret (
    name  text primary key,
    value text not null
);

create table failed_work (
    task_name     text        not null,
    task_instance text        not null,
    reason        text        not null,
    failed_at     timestamptz not null default now(),
    primary key (task_name, task_instance)
);
create index verdict_patch on verdict (patch_id);
create index bank_collection on bank (collection_id);
create index round_bank on round (bank_id);
create index release_collection on release (collection_id);
