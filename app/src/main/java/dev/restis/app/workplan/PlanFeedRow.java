package dev.restis.app.workplan;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A secret address from which calendars read the published plan. */
@Entity
@Table(name = "plan_feed")
@SuppressWarnings("NullAway.Init")
class PlanFeedRow {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "plan_feed_number", allocationSize = 1)
    private long id;

    private @Nullable Long personId;
    private String secretHash;
    private Instant madeAt;
    private String madeBy;
    private @Nullable Instant withdrawnAt;

    protected PlanFeedRow() {}

    PlanFeedRow(@Nullable Long person, String secretHash, Instant madeAt, String madeBy) {
        this.personId = person;
        this.secretHash = secretHash;
        this.madeAt = madeAt;
        this.madeBy = madeBy;
    }

    long id() {
        return id;
    }

    @Nullable
    Long person() {
        return personId;
    }

    Instant madeAt() {
        return madeAt;
    }

    String madeBy() {
        return madeBy;
    }

    boolean withdrawn() {
        return withdrawnAt != null;
    }

    void withdraw(Instant at) {
        withdrawnAt = at;
    }
}
