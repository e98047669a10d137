package dev.restis.core.order;

/** Where an order stands, in the order of its life. */
public enum OrderState {
    DRAFT,
    QUOTED,
    ACCEPTED,
    /** Some of its pieces are in a batch. */
    PLANNED,
    /** Some of its pieces are cut. */
    CUTTING,
    /** All of its pieces are cut. */
    MAKING,
    /** All of its pieces are made. */
    FINISHED,
    /** All of its pieces have gone out. */
    DISPATCHED,
    CANCELLED
}
