-- What the list searches and sorts by stands on the job itself.
alter table job add column place text not null default '';
alter table job add column species text not null default '';
alter table job add column crew text not null default '';
alter table job add column latitude real null;
alter table job add column longitude real null;
update job set
    place = coalesce((select r.place from job_revision r where r.job_id = job.id and r.number = job.revision), ''),
    (species, crew, latitude, longitude) = (
        select coalesce(r.plan ->> '$.tree.speciesId', ''),
               coalesce((select group_concat(c.value ->> '$.name', ', ') from json_each(r.plan, '$.crew') c), ''),
               r.plan ->> '$.site.origin.latitudeDeg',
               r.plan ->> '$.site.origin.longitudeDeg'
        from job_revision r where r.job_id = job.id and r.number = job.revision
    )
where exists (
    select 1 from job_revision r where r.job_id = job.id and r.number = job.revision and json_valid(cast(r.plan as text))
);

-- What a crew says of a job afterwards, and what is learned from it.
create table job_log (
    job_id   text    not null primary key references job (id),
    revision integer not null,
    saved_at text    not null,
    stage    text    not null,
    on_day   text    not null,
    log      text    not null,
    -- Worked out when the log is kept; empty while it has to be worked out again.
    learned  text    not null
) without rowid;

-- Which job's log booked a use or asked for a look, so that a log that is changed books again.
alter table gear_use add column job_id text null;
alter table gear_use add column shock integer not null default 0;
alter table gear_inspection add column job_id text null;
create index gear_use_by_job on gear_use (job_id) where job_id is not null;
create index gear_inspection_by_job on gear_inspection (job_id) where job_id is not null;

create table trial (
    id       text not null primary key,
    saved_at text not null,
    trial    text not null
) without rowid;

-- Which of its own figures the crew wants in new plans.
create table own_choice (
    id       text not null primary key,
    saved_at text not null,
    choice   text not null
) without rowid;

create table practice_answer (
    number integer not null primary key,
    at     text    not null,
    person text    not null,
    topic  text    not null,
    seed   integer not null,
    mark   text    not null
);

create index practice_of on practice_answer (person, number);
