alter table job_revision add column saved_by text not null default '';

-- Every change to what the crew keeps beside its jobs, and every deletion: nothing goes for good.
create table history (
    number integer not null primary key,
    at     text    not null,
    -- Empty while nobody has said who works at the device.
    who    text    not null,
    kind   text    not null,
    id     text    not null,
    action text    not null,
    -- Documents before and after; null where there was none.
    before text    null,
    after  text    null
);

create index history_of on history (kind, id, number);

-- The list in its order without reading every revision: what it sorts by stands on the job itself.
alter table job add column planned_on text null;
alter table job add column name text not null default '';
update job set (planned_on, name) = (select r.planned_on, r.name from job_revision r where r.job_id = job.id and r.number = job.revision);
create index job_order on job (planned_on is null, planned_on, created_at, id) where deleted_at is null;

-- An inspection or a use entered by mistake is taken back, not deleted.
alter table gear_inspection add column undone_at text null;
alter table gear_use add column undone_at text null;

-- The inspection that settled what this one left open; open again when that one is taken back.
alter table gear_inspection add column closed_by integer null;
