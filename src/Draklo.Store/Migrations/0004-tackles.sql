-- Tackles that the crew has put together and keeps under a name.
create table own_tackle (
    id       text not null primary key,
    saved_at text not null,
    tackle   text not null
) without rowid;
