-- The crew's gear. A piece is never overwritten silently: saves name the revision they began from.
create table gear_item (
    id         text    not null primary key,
    revision   integer not null,
    saved_at   text    not null,
    deleted_at text    null,
    item       text    not null
) without rowid;

create table gear_inspection (
    number     integer not null primary key,
    item_id    text    not null references gear_item (id),
    on_day     text    not null,
    open       integer not null,
    inspection text    not null
);

create index gear_inspection_of on gear_inspection (item_id, on_day);

create table gear_use (
    number  integer not null primary key,
    item_id text    not null references gear_item (id),
    on_day  text    not null,
    peak_n  real    null,
    use     text    not null
);

create index gear_use_of on gear_use (item_id, on_day);

-- One row: when pieces flag themselves.
create table locker_rules (
    id       integer not null primary key check (id = 1),
    saved_at text    not null,
    rules    text    not null
);

-- Design factors that the crew keeps under a name.
create table policy (
    id       text not null primary key,
    saved_at text not null,
    policy   text not null
) without rowid;
