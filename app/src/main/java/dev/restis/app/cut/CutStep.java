package dev.restis.app.cut;

import dev.restis.core.cutting.CutPlan.StepKind;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import org.jspecify.annotations.Nullable;

/** One stretch of a spool, from its free end. */
@Entity
@SuppressWarnings("NullAway.Init")
class CutStep {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private int number;

    @Enumerated(EnumType.STRING)
    private StepKind kind;

    private long lengthUm;

    private @Nullable Long strandId;

    private boolean keep;

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
}
