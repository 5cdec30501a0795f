-- Collections, their banks and patches, the edit log, saved revisions, and what is measured, found, heard and released.

create table collection (
    id          bigint generated always as identity primary key,
    name        text        not null check (length(name) between 1 and 80),
    author      text        not null default '' check (length(author) <= 80),
    licence     text        not null default '',
    house_rules jsonb       not null,
    created_at  timestamptz not null default now()
);

create table bank (
    id            bigint generated always as identity primary key,
    collection_id bigint not null references collection on delete cascade,
    position      int    not null check (position between 0 and 15),
    name          text   not null check (length(name) between 1 and 60),
    unique (collection_id, position)
);

-- The working state of a patch is the content of the edit at its cursor.
create table patch (
    id      bigint generated always as identity primary key,
    bank_id bigint not null references bank on delete cascade,
    slot    int    not null check (slot between 1 and 128),
    cursor  int    not null default 0,
    version bigint not null default 1,
    unique (bank_id, slot) deferrable initially immediate
);

create table edit (
    patch_id   bigint      not null references patch on delete cascade,
    number     int         not null check (number >= 0),
    label      text        not null check (length(label) between 1 and 300),
    gesture    text        not null default '',
    content    text        not null,
    name       text        not null check (length(name) between 1 and 64),
    category   text        not null,
    content_hash char(64)  not null,
    sound_hash char(64)    not null,
    made_at    timestamptz not null default now(),
    primary key (patch_id, number)
);

create table revision (
    patch_id     bigint      not null references patch on delete cascade,
    number       int         not null check (number >= 1),
    content      text        not null,
    content_hash char(64)    not null,
    sound_hash   char(64)    not null,
    note         text        not null default '' check (length(note) <= 400),
    saved_at     timestamptz not null default now(),
    primary key (patch_id, number)
);

create function refuse_change() returns trigger language plpgsql as
$$ begin raise exception 'a saved revision never changes'; end $$;
create trigger revision_is_immutable before update on revision for each row execute function refuse_change();

create table measurement (
    sound_hash     char(64)    not null,
    phrase         text        not null,
    engine_version text        not null,
    content        jsonb       not null,
    measured_at    timestamptz not null default now(),
    primary key (sound_hash, phrase, engine_version)
);

-- Findings about the sound of a patch; those about its name are worked out when they are shown.
create table sound_check (
    sound_hash     char(64)    not null,
    category       text        not null,
    rules_hash     char(64)    not null,
    engine_version text        not null,
    findings       json        not null,
    checked_at     timestamptz not null default now(),
    primary key (sound_hash, category, rules_hash, engine_version)
);

create table round (
    id         bigint generated always as identity primary key,
    bank_id    bigint      not null references bank on delete cascade,
    started_at timestamptz not null default now()
);

create table verdict (
    round_id     bigint      not null references round on delete cascade,
    patch_id     bigint      not null references patch on delete cascade,
    content_hash char(64)    not null,
    verdict      text        not null check (verdict in ('keep', 'fix', 'cut', 'none')),
    note         text        not null default '' check (length(note) <= 1000),
    given_at     timestamptz not null default now(),
    primary key (round_id, patch_id)
);

create table release (
    id            bigint generated always as identity primary key,
    collection_id bigint      not null references collection on delete cascade,
    version       text        not null check (length(version) between 1 and 20),
    state         text        not null check (state in ('building', 'verified', 'failed')),
    progress      real        not null default 0,
    report        text        not null default '',
    archive_hash  text        not null default '',
    archive       bytea,
    patches       int         not null default 0,
    started_at    timestamptz not null default now()
);

-- Kept by db-scheduler.
create table scheduled_tasks (
    task_name            text        not null,
    task_instance        text        not null,
    task_data            bytea,
    execution_time       timestamptz not null,
    picked               boolean     not null,
    picked_by            text,
    last_success         timestamptz,
    last_failure         timestamptz,
    consecutive_failures int,
    last_heartbeat       timestamptz,
    version              bigint      not null,
    priority             smallint,
    primary key (task_name, task_instance)
);
create index scheduled_tasks_time on scheduled_tasks (execution_time);
create index scheduled_tasks_heartbeat on scheduled_tasks (last_heartbeat);
