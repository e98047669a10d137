package dev.restis.app.learning;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.jspecify.annotations.Nullable;

/** How far learning is; one row, locked by whoever folds. */
@Entity
@SuppressWarnings("NullAway.Init")
class LearningBook {

    static final int ONLY = 1;

    @Id
    private int id;

    private int formulas;
    private long lastNumber;
    private @Nullable Long published;
    private @Nullable Long workedOut;

    protected LearningBook() {}

    int formulas() {
        return formulas;
    }

    void formulas(int version) {
        formulas = version;
    }

    long lastNumber() {
        return lastNumber;
    }

    long nextNumber() {
        return ++lastNumber;
    }

    /** The state that figures rest on. */
    @Nullable
    Long published() {
        return published;
    }

    void publish(long state) {
        published = state;
    }

    /** The state that open pieces were last worked out with. */
    @Nullable
    Long workedOut() {
        return workedOut;
    }

    void workedOut(@Nullable Long state) {
        workedOut = state;
    }
}
