package dev.restis.app.workplan;

import dev.restis.core.batch.Aims;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A plan; what hands do makes the next one. */
@Entity
@Table(name = "work_plan")
@SuppressWarnings("NullAway.Init")
class WorkPlanRow {

    /** How a plan came about. */
    enum PlanAct {
        PLANNED,
        BETTERED,
        MENDED,
        MOVED,
        PINNED,
        RELEASED,
        SPLIT,
        MERGED,
        DAY_LOCKED,
        DAY_RELEASED,
        TAKEN,
        GOES_FIRST
    }

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    // One by one: their numbers are the order in which they were made.
    @SequenceGenerator(sequenceName = "work_plan_number", allocationSize = 1)
    private long id;

    private Instant madeAt;
    private String madeBy;

    @Enumerated(EnumType.STRING)
    private PlanAct act;

    @JdbcTypeCode(SqlTypes.JSON)
    private String about = "[]";

    private LocalDate fromDay;
    private long lateDays;
    private int lateOrders;
    private long effort;
    private long setUpSeconds;
    private long leastSetUpSeconds;
    private @Nullable Long leastLateDays;
    private boolean growing;
    private boolean cutOff;
    private @Nullable Long beforeId;
    private @Nullable Instant publishedAt;
    private @Nullable String publishedBy;

    protected WorkPlanRow() {}

    WorkPlanRow(PlanAct act, String about, Instant madeAt, String madeBy, @Nullable Long before) {
        this.act = act;
        this.about = about;
        this.madeAt = madeAt;
        this.madeBy = madeBy;
        this.beforeId = before;
    }

    /** What it is worth. */
    void worth(LocalDate from, Aims aims, long setUps, long leastSetUps, @Nullable Long leastLate) {
        fromDay = from;
        lateDays = aims.lateDays();
        lateOrders = aims.lateOrders();
        effort = aims.effort();
        setUpSeconds = setUps;
        leastSetUpSeconds = leastSetUps;
        leastLateDays = leastLate;
    }

    void growing(boolean stillGrowing, boolean byTheClock) {
        growing = stillGrowing;
        cutOff = byTheClock;
    }

    void publish(Instant at, String who) {
        publishedAt = at;
        publishedBy = who;
    }

    long id() {
        return id;
    }

    Instant madeAt() {
        return madeAt;
    }

    String madeBy() {
        return madeBy;
    }

    PlanAct act() {
        return act;
    }

    String about() {
        return about;
    }

    LocalDate fromDay() {
        return fromDay;
    }

    Aims aims() {
        return new Aims(lateDays, lateOrders, effort);
    }

    long setUpSeconds() {
        return setUpSeconds;
    }

    long leastSetUpSeconds() {
        return leastSetUpSeconds;
    }

    /** Nothing where that was not worked out. */
    @Nullable
    Long leastLateDays() {
        return leastLateDays;
    }

    boolean growing() {
        return growing;
    }

    boolean cutOff() {
        return cutOff;
    }

    @Nullable
    Long before() {
        return beforeId;
    }

    @Nullable
    Instant publishedAt() {
        return publishedAt;
    }

    @Nullable
    String publishedBy() {
        return publishedBy;
    }
}
