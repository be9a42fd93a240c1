-- Which of a load cell's numbers are kept already: a parcel that is sent twice, also after a restart, is kept once.
-- first and last are the ends of a stretch without a gap.
create table cell_numbers (
    job_id  text    not null references job (id),
    line_id text    not null,
    cell    text    not null,
    session text    not null,
    first   integer not null,
    last    integer not null,
    primary key (job_id, line_id, cell, session, first)
) without rowid;
