package dev.restis.app.workshop;

/** What a person may do: a maker works with orders and stock, an owner also manages people and the house's rules. */
public enum Role {
    OWNER,
    MAKER
}
