-- The crew's book.
create table person (
    id       text not null primary key,
    saved_at text not null,
    person   text not null
) without rowid;

-- What a person signs with. Only a salted hash is kept; it leaves the data file in backups alone.
create table person_pin (
    id           text    not null primary key,
    hash         text    not null,
    failed       integer not null default 0,
    locked_until text    null
) without rowid;

-- Plans that new jobs start from.
create table job_template (
    id       text not null primary key,
    saved_at text not null,
    template text not null
) without rowid;

-- The pieces on the truck today: one row.
create table kit (
    id       text not null primary key,
    saved_at text not null,
    kit      text not null
) without rowid;

-- Briefs as they were issued: the page with all that it was drawn from.
create table brief (
    job_id      text    not null references job (id),
    number      integer not null,
    revision    integer not null,
    issued_at   text    not null,
    issued_by   text    not null,
    fingerprint text    not null,
    page        text    not null,
    primary key (job_id, number)
) without rowid;

-- Names under pages, kept for good: what a change voids stays to be read.
create table signature (
    number      integer not null primary key,
    job_id      text    not null references job (id),
    name        text    not null,
    signed_at   text    not null,
    fingerprint text    not null,
    signature   text    not null
);

create index signature_of on signature (job_id, number);

-- Gear ticked out of the yard and back in.
create table packing_tick (
    job_id  text not null references job (id),
    piece   text not null,
    out_at  text null,
    out_by  text null,
    back_at text null,
    back_by text null,
    primary key (job_id, piece)
) without rowid;
