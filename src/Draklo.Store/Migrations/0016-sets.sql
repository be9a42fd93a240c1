-- What the crew puts into a plan with one choice.
create table plan_set (
    id       text not null primary key,
    saved_at text not null,
    plan_set text not null
) without rowid;
