package dev.restis.core.pattern;

/** When a strand is tied, and so when its ends are trimmed. */
public enum Stage {
    /** With the body: its ends are trimmed before the closing is tied. */
    BODY,
    /** With the body, and its ends run through the closing: they are trimmed when the piece is done. */
    CLOSED_OVER,
    /** It ties the closing, over the ends of others. */
    CLOSING
}
