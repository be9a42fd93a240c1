create table job (
    id         text    not null primary key,
    revision   integer not null,
    created_at text    not null,
    deleted_at text    null
);

-- Every save is kept; the job's own row says which is current.
create table job_revision (
    job_id     text    not null references job (id),
    number     integer not null,
    saved_at   text    not null,
    name       text    not null,
    place      text    not null,
    planned_on text    null,
    plan       text    not null,
    primary key (job_id, number)
) without rowid;

create index job_live on job (created_at) where deleted_at is null;
