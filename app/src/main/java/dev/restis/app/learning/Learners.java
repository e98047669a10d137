package dev.restis.app.learning;

import dev.restis.core.learning.Learner;
import dev.restis.core.piece.Learned;
import java.util.Optional;

/** What learns of each subject. */
record Learners(Learner cord, Learner pitch, Learner time) {

    /** Before anything is seen. */
    static Learners begun() {
        return new Learners(
                new Learner(Subject.CORD.rules()),
                new Learner(Subject.PITCH.rules()),
                new Learner(Subject.TIME.rules()));
    }

    Learner of(Subject subject) {
        return switch (subject) {
            case CORD -> cord;
            case PITCH -> pitch;
            case TIME -> time;
        };
    }

    /** What is believed now, for whoever ties. */
    Learned learned() {
        return new Learned(cord.beliefs(), pitch.beliefs(), time.beliefs(), Optional.empty());
    }
}
