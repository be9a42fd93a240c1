-- Wrong PINs count by where they were given: whoever tries at one device shuts nobody out at another.
create table pin_try (
    person       text    not null,
    -- The device; empty for this machine itself.
    device       text    not null,
    failed       integer not null,
    locked_until text    null,
    primary key (person, device)
) without rowid;

alter table person_pin drop column failed;
alter table person_pin drop column locked_until;

create index sign_in_source on sign_in (what, address, number);
