package dev.restis.app.demo;

import static dev.restis.app.demo.DemoWorkshop.MAKER;
import static dev.restis.app.demo.DemoWorkshop.OWNER;

import dev.restis.app.workplan.WorkPlans;
import dev.restis.app.workshop.Workshop;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * Two weeks that are nearly full, planned and published: one order that cannot be in time, one that waits for cord that is ordered, one
 * batch that is pinned. Left out with {@code restis.demo-plan=false}.
 */
@Component
@ConditionalOnProperty(
        name = {"restis.demo", "restis.demo-plan"},
        havingValue = "true")
class DemoPlan {

    private static final String PLANETARIUM = "Skarrow Quay Planetarium";
    private static final String FAIR = "Harvest-fair stall";
    private static final String CHOIR = "Tuesday Choir, altos";
    private static final int PINNED_IN = 5;

    private final DemoShelves shelves;
    private final DemoSupplies supplies;
    private final DemoOrders orders;
    private final WorkPlans plans;
    private final Workshop workshop;
    private final DemoClock clock;

    DemoPlan(
            DemoShelves shelves,
            DemoSupplies supplies,
            DemoOrders orders,
            WorkPlans plans,
            Workshop workshop,
            DemoClock clock) {
        this.shelves = shelves;
        this.supplies = supplies;
        this.orders = orders;
        this.plans = plans;
        this.workshop = workshop;
        this.clock = clock;
    }

    List<DemoEntry> calendar() {
        return List.of(
                new DemoEntry(-1, "17:00", OWNER, this::takeOrders),
                new DemoEntry(0, "08:05", OWNER, () -> supplies.buy("Grey Gull Cordage", "HE2", 1)),
                new DemoEntry(0, "08:10", OWNER, this::plan));
    }

    private void takeOrders() {
        for (String code : List.of("NT2", "BR2", "OA2", "PI2", "EM2", "MA2")) {
            shelves.receive(code, code.substring(0, 2) + "-90", 1, "100 m", "14.40", "A5", null);
        }
        shelves.receive("HE25", "HE-90", 1, "100 m", "17.50", "A5", null);
        shelves.receive("OA25", "OA-90", 1, "100 m", "17.20", "A5", null);
        fobs("in 8 days", 24, "NT2", "CH2");
        fobs("in 9 days", 16, "MA2", "NT2");
        bands(FAIR, "in 11 days", 30, "snake", "17 cm", "BR2", "PI2");
        bands(FAIR, "in 13 days", 14, "snake", "16 cm", "OA2", "EM2");
        bands("Stallholders of the fair", "in 12 days", 12, "snake", "18 cm", "PI2", "OA2");
        bands(CHOIR, "in 15 days", 8, "snake", "16.5 cm", "NT2", "MA2");
        // More than two days hold.
        bands("Lantern walk", "in 2 days", 44, "snake", "15 cm", "EM2", "MA2");
    }

    private void fobs(String due, int quantity, String first, String second) {
        orders.take(
                PLANETARIUM,
                due,
                quantity,
                "spiral-fob",
                null,
                "12 cm",
                List.of(first, second),
                false,
                Map.of("ring", DemoOrders.part("RG25")));
    }

    private void bands(
            String customer, String due, int quantity, String pattern, String wrist, String first, String second) {
        orders.take(customer, due, quantity, pattern, wrist, null, List.of(first, second), false, Map.of());
    }

    private void plan() {
        plans.begin();
        LocalDate day = LocalDate.now(clock).plusDays(PINNED_IN);
        while (day.getDayOfWeek() == DayOfWeek.SATURDAY || day.getDayOfWeek() == DayOfWeek.SUNDAY) {
            day = day.plusDays(1);
        }
        plans.pin(orders.taken(CHOIR), workshop.personOf(MAKER).orElseThrow(), day);
        plans.publish();
    }
}
