package dev.restis.app.demo;

import dev.restis.app.cut.CutBench;
import dev.restis.app.cut.CutPlanning;
import dev.restis.app.orders.Orders;
import dev.restis.app.orders.PriceBook;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceChoices.PartChoice;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.OpenWork;
import dev.restis.app.shop.ShopFeeds;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.app.stock.Articles;
import dev.restis.app.stock.GoodsIn;
import dev.restis.app.stock.Receipts.NewNote;
import dev.restis.app.stock.Receipts.NewReceipt;
import dev.restis.app.stock.Stock;
import dev.restis.app.workshop.Calendars;
import dev.restis.app.workshop.Role;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Occasion;
import dev.restis.core.stock.Unit;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
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

    private static final Logger LOG = LoggerFactory.getLogger(DemoWorkshop.class);

    private final Workshop workshop;
    private final SettingRevisions settings;
    private final Calendars calendars;
    private final Articles articles;
    private final Stock stock;
    private final GoodsIn goodsIn;
    private final DemoSupplies supplies;
    private final Orders orders;
    private final OpenWork openWork;
    private final Batches batches;
    private final CutPlanning cutPlanning;
    private final CutBench cutBench;
    private final PriceBook prices;
    private final ShopFeeds shops;
    private final DemoClock clock;
    private final Map<String, Long> ids = new HashMap<>();
    private final Map<String, Long> orderOf = new HashMap<>();

    DemoWorkshop(
            Workshop workshop,
            SettingRevisions settings,
            Calendars calendars,
            Articles articles,
            Stock stock,
            GoodsIn goodsIn,
            DemoSupplies supplies,
            Orders orders,
            OpenWork openWork,
            Batches batches,
            CutPlanning cutPlanning,
            CutBench cutBench,
            PriceBook prices,
            ShopFeeds shops,
            DemoClock clock) {
        this.clock = clock;
        this.shops = shops;
        this.prices = prices;
        this.workshop = workshop;
        this.settings = settings;
        this.calendars = calendars;
        this.articles = articles;
        this.stock = stock;
        this.goodsIn = goodsIn;
        this.supplies = supplies;
        this.orders = orders;
        this.openWork = openWork;
        this.batches = batches;
        this.cutPlanning = cutPlanning;
        this.cutBench = cutBench;
    }

    /**
     * A line of the demo's calendar.
     *
     * @param day before the one on which the demo is filled, which is 0
     * @param time of the house
     * @param person who acts
     * @param act through the same door as everybody's
     */
    private record Entry(int day, String time, String person, Runnable act) {}

    /** What happened at Ullin Bench until today, in its order. */
    private List<Entry> calendar() {
        return List.of(
                new Entry(-9, "08:30", OWNER, this::settleTheHouse),
                new Entry(-9, "09:10", OWNER, this::nameArticles),
                new Entry(-9, "10:40", OWNER, this::receiveWhatIsThere),
                new Entry(-9, "15:20", MAKER, this::measureWhatWasBegun),
                new Entry(-8, "09:00", OWNER, () -> supplies.fill(ids)),
                new Entry(-3, "17:45", OWNER, () -> {
                    take("Marit", "in 9 days", 2, "square-bar", "16.5 cm", null, "OA2", "EM2", "HB9", 3);
                    take("Wouter", "in 8 days", 1, "snake", "7 1/4 in", null, "NT2", "MA2", null, 0);
                }),
                new Entry(-2, "11:15", OWNER, this::takeFromTheCounter),
                new Entry(
                        -2,
                        "16:30",
                        MAKER,
                        () -> take("Sefa", "in 13 days", 1, "square-bar", "15,8 cm", null, "CH2", "LI2", "PB6", 2)),
                new Entry(-1, "10:05", OWNER, this::takeForGroups),
                new Entry(-1, "18:20", MAKER, this::takeABuckleBand),
                new Entry(0, "07:30", OWNER, this::planTheMorning));
    }

    @EventListener(ApplicationReadyEvent.class)
    void fill() {
        if (!workshop.needsOwner()) {
            return;
        }
        workshop.setUp("Ullin Bench", OWNER, PASSWORD, ZoneId.systemDefault().getId());
        LocalDate today = LocalDate.now(clock);
        try {
            for (Entry entry : calendar()) {
                clock.set(today.plusDays(entry.day())
                        .atTime(LocalTime.parse(entry.time()))
                        .atZone(clock.getZone())
                        .toInstant());
                actAs(entry.person());
                entry.act().run();
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
        calendars.keep(person, new Calendars.Calendar(week, List.of(), settings.of(Setting.OPEN_MINUTES)));
    }

    private void nameArticles() {
        cord("NT2", "Night Tide", "#22365C", "polyester", "2 mm");
        cord("EM2", "Ember", "#C4472E", "polyester", "2 mm");
        cord("LI2", "Lichen", "#8D9C5A", "polyester", "2 mm");
        cord("OA2", "Oat", "#D8C8A8", "polyester", "2 mm");
        cord("HE2", "Heather", "#8F6B9B", "polyester", "2 mm");
        cord("BR2", "Brine", "#5B9BA3", "polyester", "2 mm");
        cord("MA2", "Marigold", "#E2A624", "polyester", "2 mm");
        cord("RO2", "Rowan", "#A5304B", "polyester", "2 mm");
        cord("CH2", "Chalk", "#F3F0E8", "polyester", "2 mm");
        cord("PI2", "Pitch", "#24282C", "polyester", "2 mm");
        cord("SL15", "Slate", "#6C7B83", "waxed-polyester", "1.5 mm");
        cord("DU25", "Dune", "#C9A877", "cotton", "2.5 mm");
        cord("HE25", "Heather", "#8F6B9B", "polyester", "2.5 mm");
        cord("OA25", "Oat", "#D8C8A8", "polyester", "2.5 mm");
        cord("PI3", "Pitch", "#24282C", "nylon", "3 mm");
        cord("EM3", "Ember", "#C4472E", "nylon", "3 mm");
        cord("HI2", "Hide", "#5A3A28", "leather", "2 mm");
        cord("CL1", "Clear", "#E6E2D8", "elastic", "1 mm");
        bead("HB9", "Harbour bead", "#7A5C3E", "8 mm", "9 mm", "4.4 mm");
        bead("PB6", "Pebble bead", "#9AA5A8", "6 mm", "6 mm", "2.6 mm");
        bead("DB12", "Driftwood bead", "#B08B5E", "10 mm", "12 mm", "6 mm");
        bead("GL8", "Glass float", "#6FA8A0", "8 mm", "8 mm", "2 mm");
        bead("CB10", "Cover bead", "#B9A27A", "9 mm", "10 mm", "4 mm");
        part(ArticleKind.RING, "RG25", "Split ring 25", "25 mm", "2 mm");
        part(ArticleKind.RING, "RG30", "Split ring 30", "30 mm", "2.5 mm");
        part(ArticleKind.BUCKLE, "BK16", "Side-release buckle 16", "28 mm", "16 mm", "3 mm");
        part(ArticleKind.BUCKLE, "BK25", "Side-release buckle 25", "34 mm", "25 mm", "3.5 mm");
        part(ArticleKind.CLASP, "SC12", "Swivel clip 12", "38 mm", "12 mm", "3 mm");
        part(ArticleKind.SHACKLE, "SK12", "Bow shackle", "18 mm", "12 mm", "4 mm");
        part(ArticleKind.THIMBLE, "TH8", "Thimble 8", "14 mm", "8 mm", "4 mm");
        part(ArticleKind.BREAKAWAY, "BA7", "Breakaway joint", "22 mm", "7 mm");
        part(ArticleKind.BUTTON, "BT15", "Shank button", "15 mm", "2 mm");
        part(ArticleKind.CENTREPIECE, "CP24", "Gull centrepiece", "24 mm", "6 mm", "1.6 mm");
        part(ArticleKind.SLIDE_BEAD, "SB8", "Lined slide bead", "9 mm", "10 mm", "5.4 mm");
        part(ArticleKind.CHARM, "CM9", "Lantern charm", "9 mm", "1 mm");
        consumable(
                "GL20",
                "Cord glue",
                "#D9CFA8",
                Unit.MILLILITRE,
                Map.of(Occasion.END_GLUED, "0.05 ml", Occasion.ELASTIC, "0.1 ml"));
        consumable("BAG1", "Paper bag", "#B89B72", Unit.PIECE, Map.of(Occasion.PIECE, "1"));
    }

    private void receiveWhatIsThere() {
        receive("NT2", "NT-61", 1, "100 m", "14.90", "A1", "75 m");
        receive("NT2", "NT-64", 1, "100 m", "15.40", "A1", null);
        receive("EM2", "EM-12", 2, "50 m", "15.80", "A2", null);
        receive("LI2", "LI-08", 1, "50 m", "7.99", "A2", null);
        receive("OA2", "OA-33", 1, "100 m", "14.20", "A3", null);
        receive("OA2", "OA-35", 1, "50 m", "7.90", "A3", null);
        receive("HE2", "HE-04", 1, "25 m", "5.49", "A3", null);
        receive("BR2", "BR-19", 1, "100 m", "14.90", "B1", null);
        receive("MA2", "MA-27", 1, "50 m", "8.35", "B1", null);
        receive("RO2", "RO-02", 1, "100 m", "15.10", "B1", null);
        receive("CH2", "CH-40", 1, "100 m", "13.90", "B2", null);
        receive("PI2", "PI-15", 1, "100 m", "13.90", "B2", null);
        receive("PI2", "PI-16", 1, "50 m", "7.25", "B2", null);
        receive("SL15", "SL-03", 1, "50 m", "9.60", "B3", null);
        receive("DU25", "DU-01", 1, "30 m", "8.10", "B3", null);
        receive("HB9", "HB-1", 2, "40", "18.00", "C1", null);
        receive("PB6", "PB-1", 1, "60", "9.00", "C1", null);
        receive("RG25", "RG-5", 1, "100", "21.00", "C2", null);
        receive("RG30", "RG-6", 1, "20", "6.40", "C2", null);
        receive("HE25", "HE-25", 1, "100 m", "17.50", "A4", null);
        receive("OA25", "OA-25", 1, "100 m", "17.20", "A4", null);
        receive("PI3", "PI-30", 1, "100 m", "22.90", "B4", null);
        receive("EM3", "EM-30", 1, "50 m", "12.40", "B4", null);
        receive("HI2", "HI-1", 1, "25 m", "19.00", "B4", null);
        receive("CL1", "CL-1", 1, "25 m", "4.50", "B4", null);
        receive("DB12", "DB-1", 1, "30", "15.00", "C1", null);
        receive("GL8", "GL-1", 1, "120", "21.60", "C1", null);
        receive("CB10", "CB-1", 1, "20", "6.00", "C1", null);
        receive("BK16", "BK-1", 1, "20", "9.80", "C3", null);
        receive("BK25", "BK-2", 1, "10", "6.90", "C3", null);
        receive("SC12", "SC-1", 1, "40", "26.00", "C3", null);
        receive("SK12", "SK-1", 1, "6", "14.40", "C3", null);
        receive("BA7", "BA-1", 1, "25", "11.25", "C3", null);
        receive("BT15", "BT-1", 1, "24", "10.80", "C2", null);
        receive("CP24", "CP-1", 1, "8", "12.80", "C2", null);
        receive("SB8", "SB-1", 1, "12", "13.20", "C2", null);
        receive("CM9", "CM-1", 1, "15", "9.75", "C2", null);
        receive("GL20", "GL-1", 2, "20 ml", "9.60", "C4", null);
        receive("BAG1", "BAG-1", 2, "250", "19.00", "C4", null);
    }

    private void measureWhatWasBegun() {
        setRight("NT-61", "62.4 m");
        setRight("OA-33", "48.15 m");
        setRight("HE-04", "4.8 m");
        setRight("BR-19", "71.2 m");
        setRight("CH-40", "66 m");
        setRight("PI-15", "38.7 m");
        setRight("SL-03", "1.35 m");
        stock.measure(stock.lotOf(id("SL-03")), "1.6 mm", UnitSystem.METRIC);
    }

    private void takeFromTheCounter() {
        take("Gift counter, ferry house", "in 10 days", 6, "spiral-fob", null, "12 cm", "BR2", "CH2", null, 0);
    }

    private void takeForGroups() {
        take("Tuesday Choir", "in 18 days", 4, "snake", "17 cm", null, "HE2", "OA2", null, 0);
        take(
                "Tuesday Choir",
                "in 20 days",
                3,
                "wrist-snake",
                null,
                "32 cm",
                List.of("HE25", "OA25"),
                true,
                Map.of("clip", part("SC12")));
        take(
                "Lower Lock Rowing Club",
                "in 25 days",
                6,
                "neck-snake",
                null,
                "90 cm",
                List.of("OA25", "HE25"),
                true,
                Map.of("breakaway", part("BA7"), "clip", part("SC12")));
    }

    private void takeABuckleBand() {
        take(
                "Runa",
                "in 14 days",
                1,
                "figure-eight-4",
                "18,5 cm",
                null,
                List.of("PI3", "EM3"),
                false,
                Map.of("buckle", part("BK16")));
    }

    private void planTheMorning() {
        long cut = batches.make("Morning pieces", openWork.allOf(List.of(taken("Marit"), taken("Wouter"))));
        cutBench.confirm(cutPlanning.propose(List.of(cut)));
    }

    private void cord(String code, String name, String colour, String material, String diameter) {
        ids.put(
                code,
                articles.add(new Articles.NewArticle(
                        code, ArticleKind.CORD, name, colour, material, diameter, "30 cm", null, UnitSystem.METRIC)));
    }

    private void consumable(String code, String name, String colour, Unit unit, Map<Occasion, String> uses) {
        ids.put(
                code,
                articles.add(new Articles.NewArticle(
                        code,
                        ArticleKind.CONSUMABLE,
                        name,
                        colour,
                        null,
                        null,
                        null,
                        null,
                        unit,
                        uses,
                        UnitSystem.METRIC)));
    }

    private void bead(String code, String name, String colour, String... measures) {
        hardware(ArticleKind.BEAD, code, name, colour, measures);
    }

    private void part(ArticleKind kind, String code, String name, String... measures) {
        hardware(kind, code, name, "#8A969B", measures);
    }

    /** With the measures that the kind has, in their order. */
    private void hardware(ArticleKind kind, String code, String name, String colour, String... measures) {
        Map<Measure, String> given = new TreeMap<>();
        int next = 0;
        for (Measure measure : Measure.values()) {
            if (Hardware.Kind.valueOf(kind.name()).measures().contains(measure)) {
                given.put(measure, measures[next++]);
            }
        }
        ids.put(
                code,
                articles.add(
                        new Articles.NewArticle(code, kind, name, colour, null, null, null, given, UnitSystem.METRIC)));
    }

    private void receive(
            String article, String lot, int putUps, String each, String price, String shelf, @Nullable String flaw) {
        NewReceipt line =
                new NewReceipt(id(article), lot, putUps, each, price, shelf, null, flaw, null, null, UnitSystem.METRIC);
        ids.put(lot, goodsIn.take(NewNote.of(line)).holdings().get(0));
    }

    private void setRight(String lot, String length) {
        stock.adjust(id(lot), length, UnitSystem.METRIC, "used before Restis");
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
            parts.put("ring", part("RG25"));
        }
        take(
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

    private static PartChoice part(String article) {
        return new PartChoice(article, null);
    }

    private void take(
            String customer,
            String due,
            int quantity,
            String pattern,
            @Nullable String wrist,
            @Nullable String length,
            List<String> colours,
            boolean matching,
            Map<String, PartChoice> parts) {
        PieceChoices choices = new PieceChoices(
                pattern, null, wrist, null, null, length, colours, parts, false, null, false, UnitSystem.METRIC);
        orderOf.put(
                customer,
                orders.take(new Orders.NewOrder(
                        null,
                        customer,
                        due,
                        null,
                        false,
                        List.of(new Orders.NewLine(choices, quantity, matching, null)))));
    }

    /** The newest order of somebody. */
    private long taken(String customer) {
        return Objects.requireNonNull(orderOf.get(customer));
    }

    private long id(String code) {
        Long id = ids.get(code);
        if (id == null) {
            throw new IllegalStateException("Impossible state: the demo uses " + code + " before it is there");
        }
        return id;
    }
}
