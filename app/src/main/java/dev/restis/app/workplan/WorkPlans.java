package dev.restis.app.workplan;

import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;

/** The plan of days, for other modules. */
@Service
public class WorkPlans {

    private final PlanSettings settings;
    private final Planning planning;
    private final PlanActs acts;
    private final PlanShelf shelf;

    WorkPlans(PlanSettings settings, Planning planning, PlanActs acts, PlanShelf shelf) {
        this.settings = settings;
        this.planning = planning;
        this.acts = acts;
        this.shelf = shelf;
    }

    /** The house plans from now on; its first plan is made at once. */
    public void begin() {
        settings.keep(settings.view().planning(true));
        planning.now();
    }

    /** Pins all that is planned of an order to a maker's day. */
    public void pin(long order, long person, LocalDate day) {
        WorkPlanRow head = shelf.head().orElseThrow();
        List<Long> parcels = shelf.parcels(head.id()).stream()
                .filter(row -> row.order() == order)
                .map(PlanParcelRow::id)
                .toList();
        acts.pin(head.id(), parcels, person, day);
    }

    /** People see the plan as it is now. */
    public void publish() {
        acts.publish(shelf.head().orElseThrow().id());
    }
}
