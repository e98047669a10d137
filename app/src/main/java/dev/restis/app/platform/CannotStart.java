package dev.restis.app.platform;

/** Why Restis cannot start, for whoever started it: what is the matter and what to do about it. */
public final class CannotStart extends RuntimeException {

    public CannotStart(String why) {
        super(why);
    }

    public CannotStart(String why, Throwable cause) {
        super(why, cause);
    }
}
