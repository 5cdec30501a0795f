-- How a sound answers to a key at each of the measured velocities.

create table key_response (
    sound_hash     char(64)    not null,
    engine_version text        not null,
    key            smallint    not null check (key between 0 and 127),
    figures        jsonb       not null,
    measured_at    timestamptz not null default now(),
    primary key (sound_hash, engine_version, key)
);
