package dev.restis.app.patterns;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** That a pattern is out of the book; orders that use it keep it. */
@Entity
@SuppressWarnings("NullAway.Init")
class PatternWithdrawn {

    @Id
    private String code;

    private Instant at;
    private String who;

    protected PatternWithdrawn() {}

    PatternWithdrawn(String code, Instant at, String who) {
        this.code = code;
        this.at = at;
        this.who = who;
    }
}
