-- What a state of a patch does with held keys, in words; empty where keys play as they are pressed. States from before it have none.
alter table edit add column pattern text not null default '';
