package dev.restis.app.workplan;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Calendars;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the house plans. */
@Service
class PlanSettings {

    private static final int MOST_FREE = 50;
    private static final int DAY_SECONDS = 86_400;
    private static final int HOUR_SECONDS = 3_600;

    /**
     * How the house plans.
     *
     * @param planning whether it plans at all
     * @param wholePieces whether no piece lies over a night half tied
     * @param keepFreePercent of each day, what no plan uses
     * @param familySeconds of setting up for another family of stitches, beside jig and spools
     * @param jigSeconds for another jig or other hardware
     * @param spoolSeconds for each spool that is not mounted
     * @param cutSeconds of cutting a strand
     * @param checkSeconds of checking a piece, where the house checks
     * @param packSeconds of packing one, where it packs
     * @param publishes whether a plan is published as soon as it is made; nothing where that goes by whether one person works alone
     * @param revision of what is changed
     */
    record PlanRulesView(
            boolean planning,
            boolean wholePieces,
            int keepFreePercent,
            int familySeconds,
            int jigSeconds,
            int spoolSeconds,
            int cutSeconds,
            int checkSeconds,
            int packSeconds,
            @Nullable Boolean publishes,
            int revision) {
        /** The same for a house that plans, or does not. */
        PlanRulesView planning(boolean wanted) {
            return new PlanRulesView(
                    wanted,
                    wholePieces,
                    keepFreePercent,
                    familySeconds,
                    jigSeconds,
                    spoolSeconds,
                    cutSeconds,
                    checkSeconds,
                    packSeconds,
                    publishes,
                    revision);
        }
    }

    private final EntityManager entities;
    private final SettingRevisions revisions;
    private final Calendars calendars;

    PlanSettings(EntityManager entities, SettingRevisions revisions, Calendars calendars) {
        this.entities = entities;
        this.revisions = revisions;
        this.calendars = calendars;
    }

    PlanRules rules() {
        return Objects.requireNonNull(entities.find(PlanRules.class, PlanRules.ONLY));
    }

    /** Whether a plan is published as soon as it is made. */
    boolean publishes(PlanRules rules) {
        return rules.publishes != null ? rules.publishes : calendars.all().size() == 1;
    }

    @Transactional(readOnly = true)
    public PlanRulesView view() {
        PlanRules rules = rules();
        return new PlanRulesView(
                rules.planning,
                rules.wholePieces,
                rules.keepFreePercent,
                rules.familySeconds,
                rules.jigSeconds,
                rules.spoolSeconds,
                rules.cutSeconds,
                rules.checkSeconds,
                rules.packSeconds,
                rules.publishes,
                revisions.of(Setting.PLAN));
    }

    /** @return the revision that stands from now on */
    @Transactional
    public int keep(PlanRulesView wanted) {
        List<Fault> faults = new ArrayList<>();
        check("keepFreePercent", wanted.keepFreePercent(), MOST_FREE, faults);
        check("familySeconds", wanted.familySeconds(), DAY_SECONDS, faults);
        check("jigSeconds", wanted.jigSeconds(), DAY_SECONDS, faults);
        check("spoolSeconds", wanted.spoolSeconds(), DAY_SECONDS, faults);
        check("cutSeconds", wanted.cutSeconds(), HOUR_SECONDS, faults);
        check("checkSeconds", wanted.checkSeconds(), HOUR_SECONDS, faults);
        check("packSeconds", wanted.packSeconds(), HOUR_SECONDS, faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int next = revisions.next(Setting.PLAN, wanted.revision());
        PlanRules rules = rules();
        rules.planning = wanted.planning();
        rules.wholePieces = wanted.wholePieces();
        rules.keepFreePercent = wanted.keepFreePercent();
        rules.familySeconds = wanted.familySeconds();
        rules.jigSeconds = wanted.jigSeconds();
        rules.spoolSeconds = wanted.spoolSeconds();
        rules.cutSeconds = wanted.cutSeconds();
        rules.checkSeconds = wanted.checkSeconds();
        rules.packSeconds = wanted.packSeconds();
        rules.publishes = wanted.publishes();
        return next;
    }

    private static void check(String field, int value, int most, List<Fault> faults) {
        if (value < 0 || value > most) {
            faults.add(Fault.of(field, "plan.range", value, most));
        }
    }
}
