-- What the soundcheck has measured of a sound by a phrase: other limits and other rules judge it anew, without rendering.
create table probe (
    sound_hash     char(64)    not null,
    phrase         text        not null,
    engine_version text        not null,
    content        json        not null,
    probed_at      timestamptz not null default now(),
    primary key (sound_hash, phrase, engine_version)
);

-- Rule and place of each fault, so that those which are waived can be left out of a count.
alter table sound_check add column fault_keys text[] not null default '{}';

-- Findings that somebody lets stand, for the sound that the patch had then.
create table waiver (
    id         bigint generated always as identity primary key,
    patch_id   bigint      not null references patch on delete cascade,
    finding    text        not null check (length(finding) between 1 and 200),
    sound_hash char(64)    not null,
    revision   integer     not null,
    reason     text        not null check (length(reason) between 1 and 500),
    person     text        not null check (length(person) <= 80),
    waived_at  timestamptz not null default now(),
    unique (patch_id, finding)
);

-- What was found of a bank when a run of the soundcheck was asked for: what is new since then, and what is gone.
create table check_run (
    id         bigint generated always as identity primary key,
    bank_id    bigint      not null references bank on delete cascade,
    started_at timestamptz not null default now(),
    seen       json        not null
);
create index check_run_bank on check_run (bank_id, id);

-- What came of trying to mend a finding of a sound.
create table mending (
    patch_id       bigint      not null references patch on delete cascade,
    finding        text        not null,
    sound_hash     char(64)    not null,
    rules_hash     char(64)    not null,
    engine_version text        not null,
    words          text        not null,
    content        json,
    told           json        not null,
    left_findings  json        not null,
    made_at        timestamptz not null default now(),
    primary key (patch_id, finding)
);
