-- Listening rounds of several reviewers: what is asked, of which states, what each answered, and what was noted.
create table reviewer (
    id            bigint generated always as identity primary key,
    collection_id bigint not null references collection on delete cascade,
    name          text   not null check (length(name) between 1 and 40),
    unique (collection_id, name)
);

alter table round
    add column collection_id bigint references collection on delete cascade,
    add column name       text    not null default '' check (length(name) <= 80),
    add column question   text    not null default 'verdict' check (question in ('verdict', 'rating', 'pair', 'order')),
    add column sequence   text    not null default 'bank',
    add column seed       bigint  not null default 1,
    add column phrases    text[]  not null default '{}',
    add column by_hand    boolean not null default false,
    add column backing    text    not null default '',
    add column pause      real    not null default 0.5 check (pause between 0 and 10),
    add column blind      boolean not null default false;
update round r set collection_id = b.collection_id, name = b.name || ', ' || to_char(r.started_at, 'YYYY-MM-DD') from bank b where b.id = r.bank_id;
alter table round alter column collection_id set not null;

-- States as they were heard, kept whatever becomes of their patches.
create table heard_state (
    content_hash char(64) primary key,
    sound_hash   char(64) not null,
    content      text     not null
);

-- One place of a round: a state, or two that are held against each other.
create table round_place (
    round_id           bigint not null references round on delete cascade,
    place              int    not null,
    patch_id           bigint references patch on delete set null,
    name               text   not null,
    category           text   not null,
    content_hash       char(64) not null,
    sound_hash         char(64) not null,
    rival_patch_id     bigint references patch on delete set null,
    rival_name         text   not null default '',
    rival_content_hash char(64) not null default '',
    rival_sound_hash   char(64) not null default '',
    primary key (round_id, place)
);
create index round_place_patch on round_place (patch_id);

-- A log: the newest answer that was not taken back counts. A token makes sure that what is sent twice is kept once.
create table answer (
    id          bigint generated always as identity primary key,
    round_id    bigint not null,
    place       int    not null,
    rival_place int    not null default 0,
    reviewer_id bigint not null references reviewer on delete cascade,
    answer      text   not null check (length(answer) between 1 and 20),
    token       text   not null unique check (length(token) between 1 and 60),
    given_at    timestamptz not null default now(),
    taken_back  boolean not null default false,
    foreign key (round_id, place) references round_place on delete cascade
);
create index answer_place on answer (round_id, place);

create table remark (
    id          bigint generated always as identity primary key,
    round_id    bigint not null,
    place       int    not null,
    reviewer_id bigint not null references reviewer on delete cascade,
    words       text   not null check (length(words) between 1 and 10000),
    beat        double precision,
    key         int check (key between 0 and 127),
    token       text   not null unique check (length(token) between 1 and 60),
    made_at     timestamptz not null default now(),
    foreign key (round_id, place) references round_place on delete cascade
);
create index remark_place on remark (round_id, place);

create table remark_draft (
    round_id    bigint not null,
    place       int    not null,
    reviewer_id bigint not null references reviewer on delete cascade,
    words       text   not null check (length(words) <= 10000),
    primary key (round_id, place, reviewer_id),
    foreign key (round_id, place) references round_place on delete cascade
);

create table ready_remark (
    collection_id bigint not null references collection on delete cascade,
    position      int    not null,
    words         text   not null check (length(words) between 1 and 80),
    primary key (collection_id, position)
);

-- The owner's word on a sound, apart from the votes.
create table final_word (
    id         bigint generated always as identity primary key,
    patch_id   bigint   not null references patch on delete cascade,
    content_hash char(64) not null,
    sound_hash char(64) not null,
    verdict    text     not null check (verdict in ('keep', 'fix', 'cut', 'none')),
    note       text     not null default '' check (length(note) <= 1000),
    given_at   timestamptz not null default now()
);
create index final_word_patch on final_word (patch_id);

-- A/B/X trials. Each letter of the answers says whether one was right (r) or wrong (w).
create table blind_series (
    id          bigint generated always as identity primary key,
    round_id    bigint not null,
    place       int    not null,
    reviewer_id bigint not null references reviewer on delete cascade,
    against     text   not null,
    against_name text  not null,
    against_hash char(64) not null,
    seed        bigint not null,
    trials      int    not null check (trials between 4 and 100),
    answers     text   not null default '' check (answers ~ '^[rw]*$'),
    started_at  timestamptz not null default now(),
    foreign key (round_id, place) references round_place on delete cascade
);

-- What was said before goes to one reviewer; a round's places are its bank's patches, as far as they are still there. A verdict on a state that is no longer
-- kept stays, on a sound that no patch has.
insert into reviewer (collection_id, name) select distinct collection_id, 'designer' from round;
insert into round_place (round_id, place, patch_id, name, category, content_hash, sound_hash)
    select r.id, row_number() over (partition by r.id order by p.slot), p.id, e.name, e.category, coalesce(old.content_hash, e.content_hash),
      case when v.patch_id is not null and old.content_hash is null then v.content_hash else coalesce(old.sound_hash, e.sound_hash) end
    from round r join patch p on p.bank_id = r.bank_id join edit e on e.patch_id = p.id and e.number = p.cursor
    left join verdict v on v.round_id = r.id and v.patch_id = p.id
    left join lateral (select content_hash, sound_hash from edit where patch_id = p.id and content_hash = v.content_hash
                       union all select content_hash, sound_hash from revision where patch_id = p.id and content_hash = v.content_hash limit 1) old on true;
insert into heard_state select distinct on (e.content_hash) e.content_hash, e.sound_hash, e.content
    from round_place p join (select patch_id, content_hash, sound_hash, content from edit union all select patch_id, content_hash, sound_hash, content from revision) e
    on e.patch_id = p.patch_id and e.content_hash = p.content_hash;
insert into answer (round_id, place, reviewer_id, answer, token, given_at)
    select v.round_id, p.place, w.id, v.verdict, 'old ' || v.round_id || ' ' || v.patch_id, v.given_at
    from verdict v join round r on r.id = v.round_id join round_place p on p.round_id = r.id and p.patch_id = v.patch_id
    join reviewer w on w.collection_id = r.collection_id where v.verdict <> 'none';
insert into remark (round_id, place, reviewer_id, words, token, made_at)
    select v.round_id, p.place, w.id, v.note, 'old ' || v.round_id || ' ' || v.patch_id, v.given_at
    from verdict v join round r on r.id = v.round_id join round_place p on p.round_id = r.id and p.patch_id = v.patch_id
    join reviewer w on w.collection_id = r.collection_id where v.note <> '';
drop table verdict;
alter table round drop column bank_id;

-- Sound files of states that a round holds stay on the shelf.
alter table patch_asset drop constraint patch_asset_kind_check;
alter table patch_asset add constraint patch_asset_kind_check check (kind in ('edit', 'revision', 'pad', 'variation', 'heard'));
