-- Chosen formats, and archives in pieces, so that neither side has to hold a whole one in memory.
alter table release
    add column formats text[] not null default '{}',
    add column sample_step int not null default 4 check (sample_step between 1 and 24),
    add column sample_layers int not null default 3 check (sample_layers between 1 and 3),
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
