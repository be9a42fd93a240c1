-- Devices that were paired with this yard, who is signed in on them, and every sign-in that was tried. Of tokens and codes
-- only hashes are kept.
create table device (
    id text primary key,
    token_hash text not null unique,
    name text not null,
    paired_at text not null,
    gone_at text
);

create table session (
    id text primary key,
    token_hash text not null unique,
    device_id text not null references device (id),
    person_id text,
    name text not null,
    role text not null,
    job_id text,
    begun_at text not null,
    seen_at text not null,
    ends_at text not null,
    ended_at text
);

create table sign_in (
    number integer primary key autoincrement,
    at text not null,
    what text not null,
    who text not null,
    device text not null,
    address text not null
);

-- Archives that were taken in, by their content: the same one twice is one job.
create table archive_taken (
    hash text primary key,
    job_id text not null,
    taken_at text not null
) without rowid;
