package dev.restis.app.workplan;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** What a plan says of an order. */
@Entity
@Immutable
@Table(name = "plan_order")
@SuppressWarnings("NullAway.Init")
class PlanOrderRow {

    /** Why nothing of an order is planned. */
    enum LeftOut {
        NO_CORD,
        NOBODY_TIES
    }

    /**
     * When it is ready.
     *
     * @param planned as planned
     * @param even in one of two cases
     * @param sure in nine of ten
     * @param late how likely it is late, 0 to 1
     * @param lateDays as planned
     */
    record Ready(LocalDate planned, LocalDate even, LocalDate sure, double late, int lateDays) {}

    /** By when an order is promised or wanted, and whether it must be in time before others. */
    record Wanted(@Nullable LocalDate due, boolean must) {}

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "plan_order_number", allocationSize = 50)
    private long id;

    private long planId;
    private long orderId;

    @Enumerated(EnumType.STRING)
    private @Nullable LeftOut leftOut;

    private @Nullable LocalDate readyDay;
    private @Nullable LocalDate evenDay;
    private @Nullable LocalDate sureDay;
    private double lateChance;
    private int lateDays;
    private @Nullable LocalDate releaseDay;
    private @Nullable LocalDate dueDay;
    private boolean must;

    protected PlanOrderRow() {}

    /**
     * @param release the day from which its cord is there, where that is not yet so
     * @param wanted by when, and whether it must be in time before others
     */
    PlanOrderRow(long plan, long order, Ready ready, @Nullable LocalDate release, Wanted wanted) {
        this.planId = plan;
        this.orderId = order;
        this.readyDay = ready.planned();
        this.evenDay = ready.even();
        this.sureDay = ready.sure();
        this.lateChance = ready.late();
        this.lateDays = ready.lateDays();
        this.releaseDay = release;
        this.dueDay = wanted.due();
        this.must = wanted.must();
    }

    PlanOrderRow(long plan, long order, LeftOut why, Wanted wanted) {
        this.dueDay = wanted.due();
        this.must = wanted.must();
        this.planId = plan;
        this.orderId = order;
        this.leftOut = why;
    }

    long order() {
        return orderId;
    }

    @Nullable
    LeftOut leftOut() {
        return leftOut;
    }

    @Nullable
    LocalDate readyDay() {
        return readyDay;
    }

    @Nullable
    LocalDate releaseDay() {
        return releaseDay;
    }

    int lateDays() {
        return lateDays;
    }

    Wanted wanted() {
        return new Wanted(dueDay, must);
    }

    double lateChance() {
        return lateChance;
    }

    @Nullable
    LocalDate evenDay() {
        return evenDay;
    }

    @Nullable
    LocalDate sureDay() {
        return sureDay;
    }
}
