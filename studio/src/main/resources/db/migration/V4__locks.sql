-- Parameters of a patch that edits and siblings leave alone until they are unlocked.

create table parameter_lock (
    patch_id  bigint not null references patch on delete cascade,
    parameter text   not null check (length(parameter) between 1 and 80),
    primary key (patch_id, parameter)
);
