package dev.restis.core.morning;

/** What is done next with pieces, those that are furthest first: of two that are as urgent, the one that is nearer to its customer goes. */
public enum Doing {
    SEND,
    PACK,
    CHECK,
    TIE,
    CUT
}
