-- How far a job has come, and the day of its log, stand with the job: so the list finds its first window by an index, however
-- many jobs there are. StageKept keeps them.
alter table job add column stage text not null default 'planned';
alter table job add column on_day text;

update job set
    stage = coalesce(
        (select l.stage from job_log l where l.job_id = job.id),
        case when exists (select 1 from brief b where b.job_id = job.id) then 'briefed' else 'planned' end),
    on_day = (select l.on_day from job_log l where l.job_id = job.id);

drop index job_order;

-- One for each order of JobSearch; the expressions are those that stand there.
create index job_by_day on job (
    case when stage in ('planned', 'briefed') then 0 when stage in ('pulled', 'cleared') then 1 else 2 end,
    planned_on is null, planned_on, created_at, id) where deleted_at is null;
create index job_by_latest on job (
    coalesce(on_day, planned_on) is null, coalesce(on_day, planned_on) desc, created_at desc, id) where deleted_at is null;
create index job_by_name on job (
    name collate nocase, planned_on is null, planned_on, created_at, id) where deleted_at is null;
create index job_by_place on job (
    place collate nocase, planned_on is null, planned_on, created_at, id) where deleted_at is null;
create index job_by_species on job (
    species, planned_on is null, planned_on, created_at, id) where deleted_at is null;
create index job_by_stage on job (
    case stage when 'planned' then 0 when 'briefed' then 1 when 'pulled' then 2 when 'cleared' then 3 when 'done' then 4 else 5 end,
    planned_on is null, planned_on, created_at, id) where deleted_at is null;
