package dev.restis.app.workplan;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.jspecify.annotations.Nullable;

/** How the house plans; one row. */
@Entity
@SuppressWarnings("NullAway.Init")
class PlanRules {

    static final int ONLY = 1;

    @Id
    private int id;

    boolean planning;
    boolean wholePieces;
    int keepFreePercent;
    int familySeconds;
    int jigSeconds;
    int spoolSeconds;
    int cutSeconds;
    int checkSeconds;
    int packSeconds;

    @Nullable
    Boolean publishes;

    protected PlanRules() {}
}
