-- What pages show, kept so that nobody reads the content of patches and measurements to list or to count them.

-- Of edits: the name as it counts for near-duplicates (see NameRules.key), and the level trim in dB.
alter table edit add column name_key text, add column level_trim double precision;
update edit set name_key = regexp_replace(lower(name), '\s+', '', 'g'),
                level_trim = coalesce((content::jsonb -> 'parameters' ->> 'levelTrim')::double precision, 0);
alter table edit alter column name_key set not null, alter column level_trim set not null;
create index edit_name_key on edit (name_key);

-- The working state is an edit that is there. Checked when a transaction ends, since a patch comes before its first edit.
alter table patch add constraint patch_cursor foreign key (id, cursor) references edit (patch_id, number) deferrable initially deferred;

-- Which sound files the kept states of a patch refer to. The number is that of the edit, the revision or the variation, of pads 0 for A and 1 for B.
create table patch_asset (
    patch_id bigint   not null references patch on delete cascade,
    kind     text     not null check (kind in ('edit', 'revision', 'pad', 'variation')),
    number   bigint   not null,
    hash     char(64) not null,
    primary key (patch_id, kind, number, hash)
);
create index patch_asset_hash on patch_asset (hash);
insert into patch_asset
    select patch_id, kind, number, file.value ->> 'hash'
    from (select patch_id, 'edit' as kind, number::bigint, content from edit
          union all select patch_id, 'revision', number, content from revision
          union all select patch_id, 'pad', case letter when 'A' then 0 else 1 end, content from pad
          union all select patch_id, 'variation', id, content from variation) state,
         lateral jsonb_each(state.content::jsonb -> 'recordings') file
    where state.content like '%"recordings"%'
    on conflict do nothing;

-- Of measurements: what levels and readiness ask for.
alter table measurement
    add column integrated_lufs    double precision generated always as ((content ->> 'integratedLufs')::double precision) stored,
    add column momentary_max_lufs double precision generated always as ((content ->> 'momentaryMaxLufs')::double precision) stored,
    add column true_peak_dbtp     double precision generated always as ((content ->> 'truePeakDbtp')::double precision) stored;

-- Of soundchecks: how many of the findings are faults.
alter table sound_check add column faults int;
update sound_check set faults = (length(findings::text) - length(replace(findings::text, '"FAULT"', ''))) / length('"FAULT"');
alter table sound_check alter column faults set not null;

-- The data of tasks is JSON now. Pages ask again for what waited; a release that was being built says so.
delete from scheduled_tasks;
update release set state = 'failed', report = 'FAULT: Gentle Comet was renewed while this was being built; build it again' where state = 'building';
