package dev.restis.core.piece;

/** Whom a piece is for, as far as its checks ask. */
public enum Wearer {
    /** Anybody who is no child. */
    ADULT,
    /** A child of three or more. */
    CHILD,
    /** A child under three, who puts small parts in the mouth. */
    UNDER_THREE
}
