-- A crew's own species and its corrections of the catalogue's; the catalogue itself ships with the product.
create table own_species (
    id       text not null primary key,
    saved_at text not null,
    species  text not null
) without rowid;
