-- Chosen formats, and archives in pieces, so that neither side has to hold a whole one in memory.
alter table release
    add column choice  jsonb not null default '{}',
    -- Name, author, licence and rules as they were when it was begun.
    add column collection jsonb,
    add column bytes   bigint not null default 0,
    add column thinned boolean not null default false;

create table release_chunk (
    release_id bigint not null references release on delete cascade,
    number     int    not null,
    content    bytea  not null,
    primary key (release_id, number)
);
-- Sound does not get smaller by the way the database packs.
alter table release_chunk alter column content set storage external;
insert into release_chunk select id, 0, archive from release where length(archive) > 0;
update release set bytes = coalesce(length(archive), 0);
alter table release drop column archive;

-- What was made of each patch while a release is being built, so that several workers share it and none of it is made twice.
create table release_part (
    release_id bigint not null references release on delete cascade,
    place      int    not null,
    number     int    not null,
    content    bytea  not null,
    primary key (release_id, place, number)
);
alter table release_part alter column content set storage external;

alter table release_patch
    add column bank_msb int not null default 0,
    add column bank_lsb int not null default 0;
update release_patch set bank_lsb = bank_position;
