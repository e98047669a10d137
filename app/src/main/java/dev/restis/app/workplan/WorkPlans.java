package dev.restis.app.workplan;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The plan of days, for other modules. */
@Service
public class WorkPlans {

    private final PlanSettings settings;
    private final Planning planning;
    private final PlanActs acts;
    private final PlanShelf shelf;
    private final EntityManager entities;

    WorkPlans(PlanSettings settings, Planning planning, PlanActs acts, PlanShelf shelf, EntityManager entities) {
        this.settings = settings;
        this.planning = planning;
        this.acts = acts;
        this.shelf = shelf;
        this.entities = entities;
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

    /** What handling a piece takes beside tying it, as the house says; seconds. */
    public record Handling(int cutSeconds, int checkSeconds, int packSeconds) {}

    public Handling handling() {
        PlanRules rules = settings.rules();
        return new Handling(rules.cutSeconds, rules.checkSeconds, rules.packSeconds);
    }

    /**
     * Who is to tie something of these orders, by the plan that people have seen.
     *
     * @return names by order; orders that are in no plan are missing
     */
    @Transactional(readOnly = true)
    public Map<Long, Set<String>> makers(Collection<Long> orders) {
        Map<Long, Set<String>> makers = new HashMap<>();
        if (!orders.isEmpty() && settings.rules().planning) {
            entities.createQuery("""
                            select distinct r.orderId, p.name from PlanParcelRow r join Person p on p.id = r.personId, PlanBook b
                            where r.planId = b.published and r.orderId in :orders
                            """, Object[].class)
                    .setParameter("orders", orders)
                    .getResultStream()
                    .forEach(row -> makers.computeIfAbsent((Long) row[0], o -> new TreeSet<>())
                            .add((String) row[1]));
        }
        return makers;
    }

    /** People see the plan as it is now. */
    public void publish() {
        acts.publish(shelf.head().orElseThrow().id());
    }
}
