package dev.restis.app.cut;

import dev.restis.core.cutting.CutPlan.StepKind;
import jakarta.persistence.CascadeType;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.SequenceGenerator;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A holding that a cut list cuts from; {@code lengthUm} is what the plan believed it to have before the first cut. */
@Entity
@SuppressWarnings("NullAway.Init")
class CutSpool {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "cut_spool_number", allocationSize = 50)
    private long id;

    @Column(name = "cut_list_id", insertable = false, updatable = false)
    private long listId;

    private int number;
    private long holdingId;
    private long lengthUm;
    private long balanceUm;

    private @Nullable String inHandOf;

    private @Nullable Long counterUm;

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "cut_spool_id", nullable = false)
    @OrderBy("number")
    private List<CutStep> steps = new ArrayList<>();

    protected CutSpool() {}

    CutSpool(int number, long holdingId) {
        this.number = number;
        this.holdingId = holdingId;
    }

    /**
     * What of it is left to cut is planned anew.
     *
     * @param freeUm what of it is free for the list
     * @param allUm all that it has
     */
    void planned(long freeUm, long allUm, List<CutStep> next) {
        unplan();
        lengthUm = takenUm() + freeUm;
        balanceUm = takenUm() + allUm;
        steps.addAll(next);
        renumber();
    }

    private void renumber() {
        int n = 1;
        for (CutStep step : steps) {
            step.number(n++);
        }
    }

    long id() {
        return id;
    }

    /** The list that it is of; known once it is kept. */
    long listId() {
        return listId;
    }

    long holdingId() {
        return holdingId;
    }

    int number() {
        return number;
    }

    void number(int other) {
        number = other;
    }

    /** What is still free for the list, as far as the plan knew. */
    long freeUm() {
        return lengthUm - takenUm();
    }

    /** What is still to come off it. */
    long needUm() {
        return toDo().stream()
                .filter(s -> s.kind() != StepKind.REST || !s.keep())
                .mapToLong(CutStep::lengthUm)
                .sum();
    }

    /** All that it had when it was planned. */
    long plannedUm() {
        return balanceUm;
    }

    /** All that it should still have. */
    long balanceUm() {
        return balanceUm - takenUm();
    }

    /** What is cut off already. What is left over and kept stays on it. */
    private long takenUm() {
        return steps.stream()
                .filter(s -> s.done() && !(s.kind() == StepKind.REST && s.keep()))
                .mapToLong(CutStep::lengthUm)
                .sum();
    }

    List<CutStep> steps() {
        return List.copyOf(steps);
    }

    List<CutStep> toDo() {
        return steps.stream().filter(s -> !s.done()).toList();
    }

    Optional<CutStep> lastDone() {
        return steps.stream().filter(CutStep::done).max(Comparator.comparingInt(CutStep::number));
    }

    /** Puts a cut before all that is still to do. */
    void next(CutStep step) {
        steps.add((int) steps.stream().filter(CutStep::done).count(), step);
        renumber();
    }

    /** What is still to do is planned no more. */
    void unplan() {
        steps.removeIf(s -> !s.done() || s.kind() == StepKind.REST && s.keep());
    }

    /** Nothing of it was cut or is to be. */
    boolean untouched() {
        return steps.stream().allMatch(s -> s.kind() == StepKind.REST && !s.done());
    }

    @Nullable
    String inHandOf() {
        return inHandOf;
    }

    void inHandOf(@Nullable String who) {
        inHandOf = who;
    }

    @Nullable
    Long counterUm() {
        return counterUm;
    }

    void counterUm(@Nullable Long shown) {
        counterUm = shown;
    }
}
