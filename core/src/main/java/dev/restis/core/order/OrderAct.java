package dev.restis.core.order;

/** What may be done with an order as a whole. */
public enum OrderAct {
    /** Change what is ordered: lines, sizes, colours, quantities; only of pieces that are not planned. */
    CHANGE_PIECES,
    /** Change customer, day, notes. */
    CHANGE_HEAD,
    /** Name a price and a day. */
    QUOTE,
    /** Take the quote back and go on putting the order together. */
    REOPEN,
    /** The customer said yes. */
    ACCEPT,
    /** Put its pieces in batches. */
    PLAN,
    /** Say that pieces are made. */
    FINISH,
    /** Say that pieces have gone out. */
    DISPATCH,
    /** Give the order up; only before anything is cut. */
    CANCEL,
    /** Give up the pieces that are not cut, and keep the others. */
    CANCEL_REST,
    /** Bring a cancelled order back as a draft. */
    REVIVE
}
