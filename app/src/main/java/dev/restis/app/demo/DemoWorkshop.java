package dev.restis.app.demo;

import dev.restis.app.cut.CutBench;
import dev.restis.app.cut.CutPlanning;
import dev.restis.app.learning.Folding;
import dev.restis.app.orders.PriceBook;
import dev.restis.app.patterns.PieceChoices.PartChoice;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.OpenWork;
import dev.restis.app.shop.ShopFeeds;
import dev.restis.app.workshop.Calendars;
import dev.restis.app.workshop.Role;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.UnitSystem;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/**
 * Ullin Bench in Skarrow Quay: an invented two-maker workshop, filled on the first start only by what its makers did on the days
 * before, through the services that users' own acts call.
 */
@Component
@ConditionalOnProperty(name = "restis.demo", havingValue = "true")
class DemoWorkshop {

    static final String OWNER = "Tove";
    static final String MAKER = "Bram";
    static final String PASSWORD = "harbour-lantern";
    /** What the stand-in shop shows. */
    static final String SHOP_KEY = "harbour-kiosk-key";

    /** Two makers, mornings on weekdays, and an hour each on Saturday. */
    private static final Map<DayOfWeek, Integer> OWNERS_WEEK = week(180, 120);

    private static final Map<DayOfWeek, Integer> MAKERS_WEEK = week(240, 0);

    private static final int FIRST_DAY = -9;
    private static final Logger LOG = LoggerFactory.getLogger(DemoWorkshop.class);

    private final Workshop workshop;
    private final SettingRevisions settings;
    private final Calendars calendars;
    private final DemoShelves shelves;
    private final DemoSupplies supplies;
    private final DemoOrders orders;
    private final OpenWork openWork;
    private final Batches batches;
    private final CutPlanning cutPlanning;
    private final CutBench cutBench;
    private final PriceBook prices;
    private final ShopFeeds shops;
    private final Optional<DemoBench> bench;
    private final Optional<DemoPlan> plan;
    private final Optional<DemoFinished> finished;
    private final Optional<DemoMonth> month;
    private final Folding folding;
    private final DemoClock clock;

    DemoWorkshop(
            Workshop workshop,
            SettingRevisions settings,
            Calendars calendars,
            DemoShelves shelves,
            DemoSupplies supplies,
            DemoOrders orders,
            OpenWork openWork,
            Batches batches,
            CutPlanning cutPlanning,
            CutBench cutBench,
            PriceBook prices,
            ShopFeeds shops,
            Optional<DemoBench> bench,
            Optional<DemoPlan> plan,
            Optional<DemoFinished> finished,
            Optional<DemoMonth> month,
            Folding folding,
            DemoClock clock) {
        this.folding = folding;
        this.bench = bench;
        this.plan = plan;
        this.finished = finished;
        this.month = month;
        this.clock = clock;
        this.shops = shops;
        this.prices = prices;
        this.workshop = workshop;
        this.settings = settings;
        this.calendars = calendars;
        this.shelves = shelves;
        this.supplies = supplies;
        this.orders = orders;
        this.openWork = openWork;
        this.batches = batches;
        this.cutPlanning = cutPlanning;
        this.cutBench = cutBench;
    }

    /** What happened at Ullin Bench until today, in its order. */
    private List<DemoEntry> calendar() {
        return Stream.of(
                        house(),
                        bench.stream().flatMap(b -> b.calendar().stream()),
                        month.stream().flatMap(m -> m.calendar().stream()),
                        finished.stream().flatMap(f -> f.calendar().stream()),
                        plan.stream().flatMap(p -> p.calendar().stream()))
                .flatMap(entries -> entries)
                .sorted(Comparator.comparing(DemoEntry::day).thenComparing(DemoEntry::time))
                .toList();
    }

    private Stream<DemoEntry> house() {
        int first = month.isPresent() ? DemoMonth.BEGINS : FIRST_DAY;
        return Stream.of(
                new DemoEntry(first, "08:30", OWNER, this::settleTheHouse),
                new DemoEntry(first, "09:10", OWNER, shelves::nameArticles),
                new DemoEntry(first, "10:40", OWNER, shelves::receiveWhatIsThere),
                new DemoEntry(first, "15:20", MAKER, shelves::measureWhatWasBegun),
                new DemoEntry(first + 1, "09:00", OWNER, () -> supplies.fill(shelves.ids())),
                new DemoEntry(-3, "17:45", OWNER, () -> {
                    take("Marit", "in 9 days", 2, "square-bar", "16.5 cm", null, "OA2", "EM2", "HB9", 3);
                    take("Wouter", "in 8 days", 1, "snake", "7 1/4 in", null, "NT2", "MA2", null, 0);
                }),
                new DemoEntry(-2, "11:15", OWNER, this::takeFromTheCounter),
                new DemoEntry(
                        -2,
                        "16:30",
                        MAKER,
                        () -> take("Sefa", "in 13 days", 1, "square-bar", "15,8 cm", null, "CH2", "LI2", "PB6", 2)),
                new DemoEntry(-1, "10:05", OWNER, this::takeForGroups),
                new DemoEntry(-1, "18:20", MAKER, this::takeABuckleBand),
                new DemoEntry(0, "07:30", OWNER, this::planTheMorning));
    }

    @EventListener(ApplicationReadyEvent.class)
    void fill() {
        if (!workshop.needsOwner()) {
            return;
        }
        workshop.setUp("Ullin Bench", OWNER, PASSWORD, ZoneId.systemDefault().getId());
        LocalDate today = LocalDate.now(clock);
        try {
            for (DemoEntry entry : calendar()) {
                clock.set(today.plusDays(entry.day())
                        .atTime(LocalTime.parse(entry.time()))
                        .atZone(clock.getZone())
                        .toInstant());
                actAs(entry.person());
                entry.act().run();
                // What is cut, promised and priced next rests on all that was measured so far.
                folding.now();
            }
        } finally {
            clock.set(null);
            SecurityContextHolder.clearContext();
        }
        LOG.info("The demo workshop is filled.");
    }

    private static void actAs(String person) {
        String role = person.equals(OWNER) ? "ROLE_OWNER" : "ROLE_MAKER";
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                        person, "", List.of(new SimpleGrantedAuthority(role))));
    }

    private void settleTheHouse() {
        workshop.addPerson(MAKER, PASSWORD, Role.MAKER);
        keepWeek(OWNER, OWNERS_WEEK);
        keepWeek(MAKER, MAKERS_WEEK);
        prices.keep(new PriceBook.RulesInput(
                "14",
                "35",
                "0",
                "0",
                "0.50",
                "0",
                true,
                List.of(new PriceBook.BreakInput(5, "6")),
                14,
                settings.of(Setting.PRICES)));
        shops.open("Harbour kiosk", UnitSystem.METRIC, SHOP_KEY);
    }

    private static Map<DayOfWeek, Integer> week(int weekday, int saturday) {
        Map<DayOfWeek, Integer> week = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            week.put(day, weekday);
        }
        week.put(DayOfWeek.SATURDAY, saturday);
        week.put(DayOfWeek.SUNDAY, 0);
        return week;
    }

    private void keepWeek(String name, Map<DayOfWeek, Integer> week) {
        long person = workshop.personOf(name).orElseThrow();
        calendars.keep(
                person, new Calendars.Calendar(week, List.of(), null, Set.of(), settings.of(Setting.OPEN_MINUTES)));
    }

    private void takeFromTheCounter() {
        take("Gift counter, ferry house", "in 10 days", 6, "spiral-fob", null, "12 cm", "BR2", "CH2", null, 0);
    }

    private void takeForGroups() {
        take("Tuesday Choir", "in 18 days", 4, "snake", "17 cm", null, "HE2", "OA2", null, 0);
        orders.take(
                "Tuesday Choir",
                "in 20 days",
                3,
                "wrist-snake",
                null,
                "32 cm",
                List.of("HE25", "OA25"),
                true,
                Map.of("clip", DemoOrders.part("SC12")));
        orders.take(
                "Lower Lock Rowing Club",
                "in 25 days",
                6,
                "neck-snake",
                null,
                "90 cm",
                List.of("OA25", "HE25"),
                true,
                Map.of("breakaway", DemoOrders.part("BA7"), "clip", DemoOrders.part("SC12")));
    }

    private void takeABuckleBand() {
        orders.take(
                "Runa",
                "in 14 days",
                1,
                "figure-eight-4",
                "18,5 cm",
                null,
                List.of("PI3", "EM3"),
                false,
                Map.of("buckle", DemoOrders.part("BK16")));
    }

    private void planTheMorning() {
        long cut =
                batches.make("Morning pieces", openWork.allOf(List.of(orders.taken("Marit"), orders.taken("Wouter"))));
        cutBench.confirm(cutPlanning.propose(List.of(cut)));
    }

    private void take(
            String customer,
            String due,
            int quantity,
            String pattern,
            @Nullable String wrist,
            @Nullable String length,
            String first,
            String second,
            @Nullable String bead,
            int beads) {
        Map<String, PartChoice> parts = new HashMap<>();
        if (bead != null) {
            parts.put("bead", new PartChoice(bead, beads));
        }
        if (length != null) {
            parts.put("ring", DemoOrders.part("RG25"));
        }
        orders.take(
                customer,
                due,
                quantity,
                pattern,
                wrist,
                length,
                List.of(first, second),
                customer.equals("Tuesday Choir"),
                parts);
    }
}
