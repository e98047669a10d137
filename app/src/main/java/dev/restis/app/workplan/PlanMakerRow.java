package dev.restis.app.workplan;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.util.List;
import org.hibernate.annotations.Immutable;

/** How long a maker was at the bench when a plan was made. */
@Entity
@Immutable
@Table(name = "plan_maker")
@SuppressWarnings("NullAway.Init")
class PlanMakerRow {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "plan_maker_number", allocationSize = 50)
    private long id;

    private long planId;
    private long personId;
    private Integer[] seconds;

    protected PlanMakerRow() {}

    PlanMakerRow(long plan, long person, List<Integer> seconds) {
        this.planId = plan;
        this.personId = person;
        this.seconds = seconds.toArray(Integer[]::new);
    }

    long person() {
        return personId;
    }

    /** On each day from the first of the plan on. */
    List<Integer> seconds() {
        return List.of(seconds);
    }
}
