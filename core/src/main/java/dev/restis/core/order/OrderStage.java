package dev.restis.core.order;

/** What people have settled about an order; how far its pieces are is told by {@link OrderProgress}. */
public enum OrderStage {
    /** Still being put together. */
    DRAFT,
    /** A price and a day were named; the customer has not said yes. */
    QUOTED,
    /** The customer has said yes: its pieces may be planned. */
    ACCEPTED,
    /** Given up. */
    CANCELLED
}
