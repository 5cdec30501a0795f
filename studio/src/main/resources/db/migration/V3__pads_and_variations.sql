-- Versions of a patch that are kept beside it to compare with, and siblings that wait to be kept or discarded.

create table pad (
    patch_id   bigint      not null references patch on delete cascade,
    letter     char(1)     not null check (letter in ('A', 'B')),
    words      text        not null check (length(words) between 1 and 120),
    content    text        not null,
    sound_hash char(64)    not null,
    kept_at    timestamptz not null default now(),
    primary key (patch_id, letter)
);

create table variation (
    id         bigint generated always as identity primary key,
    patch_id   bigint      not null references patch on delete cascade,
    quality    text        not null,
    words      text        not null,
    moves      text        not null,
    content    text        not null,
    sound_hash char(64)    not null,
    made_at    timestamptz not null default now()
);
create index variation_patch on variation (patch_id);
