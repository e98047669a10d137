package dev.restis.app.workplan;

import dev.restis.core.batch.Bench;
import dev.restis.core.batch.draft.Board.Row;
import dev.restis.core.batch.draft.Board.State;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** Pieces of a line that stand together in a plan. */
@Entity
@Immutable
@Table(name = "plan_parcel")
@SuppressWarnings("NullAway.Init")
class PlanParcelRow {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "plan_parcel_number", allocationSize = 50)
    private long id;

    private long planId;
    private long personId;
    private int place;

    @Enumerated(EnumType.STRING)
    private State state;

    private long lineId;
    private long orderId;
    private Long[] pieces;
    private boolean apart;
    private String family;
    private String jig;
    private Long[] cords;
    private @Nullable LocalDate releaseDay;
    private LocalDate fromDay;
    private Integer[] seconds;
    private int setUpSeconds;

    protected PlanParcelRow() {}

    /** @param first the first day of the plan */
    PlanParcelRow(long plan, long person, int place, long order, LocalDate first, Row row) {
        this.planId = plan;
        this.personId = person;
        this.place = place;
        this.state = row.state();
        this.lineId = row.line();
        this.orderId = order;
        this.pieces = row.pieces().toArray(Long[]::new);
        this.apart = row.apart();
        this.family = row.bench().family();
        this.jig = row.bench().jig();
        this.cords = row.bench().cords().stream().sorted().toArray(Long[]::new);
        this.releaseDay = row.release() == 0 ? null : first.plusDays(row.release());
        this.fromDay = first.plusDays(row.from());
        this.seconds = row.seconds().toArray(Integer[]::new);
        this.setUpSeconds = row.setUp();
    }

    long id() {
        return id;
    }

    long person() {
        return personId;
    }

    State state() {
        return state;
    }

    long line() {
        return lineId;
    }

    long order() {
        return orderId;
    }

    List<Long> pieces() {
        return List.of(pieces);
    }

    boolean apart() {
        return apart;
    }

    Bench bench() {
        return new Bench(family, jig, new HashSet<>(Arrays.asList(cords)));
    }

    List<Long> cords() {
        return List.of(cords);
    }

    @Nullable
    LocalDate releaseDay() {
        return releaseDay;
    }

    LocalDate fromDay() {
        return fromDay;
    }

    /** The day on which the last of it is made. */
    LocalDate untilDay() {
        return fromDay.plusDays(seconds.length - 1L);
    }

    /** Whether any of it is tied between these days. */
    boolean touches(LocalDate first, LocalDate last) {
        return !fromDay.isAfter(last) && !untilDay().isBefore(first);
    }

    List<Integer> seconds() {
        return List.of(seconds);
    }

    int setUpSeconds() {
        return setUpSeconds;
    }
}
