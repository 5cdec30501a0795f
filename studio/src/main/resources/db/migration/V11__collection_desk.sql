-- The collection desk: tags and authors beside the content, a trash, and a history of what was done to many patches at once.

-- Of edits: what lists show and filters ask for.
alter table edit add column tags text[] not null default '{}', add column author text not null default '', add column notes text not null default '';
update edit set tags = coalesce((select array_agg(tag.value) from jsonb_array_elements_text(content::jsonb -> 'tags') tag), '{}'),
                author = coalesce(content::jsonb ->> 'author', ''), notes = coalesce(content::jsonb ->> 'notes', '');

-- A patch in the trash stands in no bank. Lists go by banks, so none of them shows it.
alter table patch alter column bank_id drop not null, alter column slot drop not null,
    add constraint patch_place check ((bank_id is null) = (slot is null));

create table trashed_patch (
    patch_id      bigint      not null primary key references patch on delete cascade,
    collection_id bigint      not null references collection on delete cascade,
    bank_id       bigint      references bank on delete set null,
    slot          int         not null,
    trashed_at    timestamptz not null default now()
);
create index trashed_patch_collection on trashed_patch (collection_id);

-- Goes up whenever patches of the bank change places: a page that shows an older arrangement may not rearrange it.
alter table bank add column arrangement bigint not null default 1, add column msb int not null default 0 check (msb between 0 and 127),
    add column lsb int not null default 0 check (lsb between 0 and 127);
update bank set lsb = position;
alter table bank drop constraint bank_collection_id_position_key, add constraint bank_position unique (collection_id, position) deferrable initially immediate;

-- What was done at the desk, newest last. Changes are JSON: of each patch where it stood and which edit it was at, before and after.
create table desk_step (
    id            bigint generated always as identity primary key,
    collection_id bigint      not null references collection on delete cascade,
    label         text        not null check (length(label) between 1 and 300),
    changes       jsonb       not null,
    patches       int         not null,
    taken_back    boolean     not null default false,
    made_at       timestamptz not null default now()
);
create index desk_step_collection on desk_step (collection_id, id);

-- Filters that a collection's people keep.
create table kept_filter (
    collection_id bigint not null references collection on delete cascade,
    name          text   not null check (length(name) between 1 and 60),
    query         text   not null check (length(query) between 1 and 300),
    primary key (collection_id, name)
);

-- What a collection says of itself, and where it stands: in use, put away, or in the trash.
alter table collection add column version text not null default '', add column description text not null default '', add column contact text not null default '',
    add column archived boolean not null default false, add column trashed_at timestamptz;

-- How alike sounds are, whatever phrase they are measured by.
create table fingerprint (
    sound_hash     char(64) not null,
    engine_version text     not null,
    content        bytea    not null,
    primary key (sound_hash, engine_version)
);
