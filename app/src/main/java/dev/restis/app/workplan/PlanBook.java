package dev.restis.app.workplan;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.jspecify.annotations.Nullable;

/** Which plan is worked on, and which one people have seen; one row, locked by whoever lays a plan down. */
@Entity
@SuppressWarnings("NullAway.Init")
class PlanBook {

    static final int ONLY = 1;

    @Id
    private int id;

    private @Nullable Long head;
    private @Nullable Long published;

    protected PlanBook() {}

    @Nullable
    Long head() {
        return head;
    }

    void head(@Nullable Long plan) {
        head = plan;
    }

    @Nullable
    Long published() {
        return published;
    }

    void published(long plan) {
        published = plan;
    }
}
