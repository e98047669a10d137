package dev.restis.app.learning;

import dev.restis.core.learning.Rules;

/** What is learned of. */
public enum Subject {
    /** Cord that strands take, in millimetres. */
    CORD(Rules.CORD),
    /** How long bodies come out, in millimetres. */
    PITCH(Rules.PITCH),
    /** What work takes, in seconds. */
    TIME(Rules.TIME);

    private final Rules rules;

    Subject(Rules rules) {
        this.rules = rules;
    }

    Rules rules() {
        return rules;
    }
}
