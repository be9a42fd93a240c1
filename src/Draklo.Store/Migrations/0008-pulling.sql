-- What a crew read and said on the day, kept for good: what was undone stays to be read.
create table pull_entry (
    job_id  text    not null references job (id),
    number  integer not null,
    -- Made by the sender: the same key is the same entry, however often it is sent.
    key     text    not null,
    made_at text    not null,
    entry   text    not null,
    primary key (job_id, number)
) without rowid;

create unique index pull_entry_key on pull_entry (job_id, key);

-- Readings of a line's load cell as they came, some at a time.
create table pull_trace (
    job_id  text    not null references job (id),
    line_id text    not null,
    number  integer not null,
    from_ms integer not null,
    to_ms   integer not null,
    count   integer not null,
    points  blob    not null,
    primary key (job_id, line_id, number)
) without rowid;
