-- What the job list shows of a revision, remembered so that the list analyses nothing twice.
create table job_entry (
    job_id  text    not null references job (id),
    number  integer not null,
    units   text    not null,
    -- The build that wrote it: another one may judge otherwise.
    made_by text    not null,
    -- How the pieces of the locker stood that the plan uses; empty when it uses none.
    gear    text    not null,
    entry   text    not null,
    primary key (job_id, units)
) without rowid;
