-- Archives that were brought: looked at first, then taken in the background, whole or not at all.
create table intake (
    id            bigserial primary key,
    name          text not null check (length(name) <= 200),
    brought_at    timestamptz not null default now(),
    state         text not null default 'looked' check (state in ('looked', 'taking', 'taken', 'failed')),
    into_id       bigint,
    changed       text not null default 'KEEP' check (changed in ('KEEP', 'TAKE', 'BESIDE')),
    done          int not null default 0,
    total         int not null default 0,
    result        text not null default '',
    collection_id bigint
);

create table intake_piece (
    intake_id bigint not null references intake on delete cascade,
    number    int    not null,
    content   bytea  not null,
    primary key (intake_id, number)
);
alter table intake_piece alter column content set storage external;
