package dev.restis.app.cut;

import dev.restis.core.cutting.CutPlan.StepKind;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** One stretch of a spool, from its free end. */
@Entity
@SuppressWarnings("NullAway.Init")
class CutStep {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "cut_step_number", allocationSize = 50)
    private long id;

    private int number;

    @Enumerated(EnumType.STRING)
    private StepKind kind;

    private long lengthUm;

    private @Nullable Long strandId;

    private boolean keep;

    private @Nullable Instant doneAt;

    private @Nullable String doneBy;

    protected CutStep() {}

    CutStep(int number, StepKind kind, long lengthUm, @Nullable Long strandId, boolean keep) {
        this.number = number;
        this.kind = kind;
        this.lengthUm = lengthUm;
        this.strandId = strandId;
        this.keep = keep;
    }

    long id() {
        return id;
    }

    StepKind kind() {
        return kind;
    }

    long lengthUm() {
        return lengthUm;
    }

    @Nullable
    Long strandId() {
        return strandId;
    }

    boolean keep() {
        return keep;
    }

    void keep(boolean decided) {
        keep = decided;
    }

    int number() {
        return number;
    }

    void number(int other) {
        number = other;
    }

    boolean done() {
        return doneAt != null;
    }

    String doneBy() {
        return doneBy == null ? "" : doneBy;
    }

    void done(Instant when, String who) {
        doneAt = when;
        doneBy = who;
    }

    /** The piece that it was cut for is given up. */
    void giveUp() {
        strandId = null;
    }

    void undone() {
        doneAt = null;
        doneBy = null;
    }
}
