-- Why a release was built although something stood against it, and which revisions it holds: what the next one is compared with.
alter table release add column reason text not null default '' check (length(reason) <= 500);

create table release_patch (
    release_id    bigint  not null references release on delete cascade,
    patch_id      bigint  not null,
    bank_position integer not null,
    bank_name     text    not null,
    slot          integer not null,
    revision      integer not null,
    sound_hash    char(64) not null,
    content       json    not null,
    primary key (release_id, patch_id)
);
