package dev.restis.app.learning;

import dev.restis.core.learning.Learner;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;

/** All that was known after the observation of a number. */
@Entity
@SuppressWarnings("NullAway.Init")
class LearningState {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private long number;
    private byte[] cord;
    private byte[] pitch;
    private byte[] time;
    private boolean stale;

    protected LearningState() {}

    LearningState(long number, Learners learners) {
        this.number = number;
        this.cord = learners.cord().save();
        this.pitch = learners.pitch().save();
        this.time = learners.time().save();
    }

    long id() {
        return id;
    }

    long number() {
        return number;
    }

    /** Is not to be gone on from. */
    void outdated() {
        stale = true;
    }

    /** Go on where they were kept. */
    Learners learners() {
        return new Learners(
                Learner.restored(Subject.CORD.rules(), cord),
                Learner.restored(Subject.PITCH.rules(), pitch),
                Learner.restored(Subject.TIME.rules(), time));
    }
}
