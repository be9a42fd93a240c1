-- A brief that came in with an archive is a record of what was issued elsewhere, never a valid one.
alter table brief add column from_archive integer not null default 0;

-- PINs that were given at a tablet out of range, as hashes of their seals: each opens once.
create table used_seal (
    hash    text not null primary key,
    used_at text not null
) without rowid;

-- The only job whose brief a guest's device reads; null for a device of the crew.
alter table device add column guest_of text;
