package dev.restis.app.demo;

import dev.restis.app.cut.CutLists;
import dev.restis.app.orders.Orders;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.OpenWork;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.app.stock.Articles;
import dev.restis.app.stock.Receipts.NewReceipt;
import dev.restis.app.stock.Stock;
import dev.restis.app.workshop.Role;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.UnitSystem;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/**
 * Ullin Bench in Skarrow Quay: an invented two-maker workshop, filled by the services that users' own actions call, on
 * the first start only.
 */
@Component
@ConditionalOnProperty(name = "restis.demo", havingValue = "true")
class DemoWorkshop {

    static final String OWNER = "Tove";
    static final String MAKER = "Bram";
    static final String PASSWORD = "harbour-lantern";

    private static final Logger LOG = LoggerFactory.getLogger(DemoWorkshop.class);

    private final Workshop workshop;
    private final Articles articles;
    private final Stock stock;
    private final Orders orders;
    private final OpenWork openWork;
    private final Batches batches;
    private final CutLists cutLists;
    private final Map<String, Long> ids = new HashMap<>();

    DemoWorkshop(
            Workshop workshop,
            Articles articles,
            Stock stock,
            Orders orders,
            OpenWork openWork,
            Batches batches,
            CutLists cutLists) {
        this.workshop = workshop;
        this.articles = articles;
        this.stock = stock;
        this.orders = orders;
        this.openWork = openWork;
        this.batches = batches;
        this.cutLists = cutLists;
    }

    @EventListener(ApplicationReadyEvent.class)
    void fill() {
        if (!workshop.needsOwner()) {
            return;
        }
        workshop.setUp("Ullin Bench", OWNER, PASSWORD);
        workshop.addPerson(MAKER, PASSWORD, Role.MAKER);
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(OWNER, "", List.of()));
        try {
            fillShelves();
            takeOrders();
        } finally {
            SecurityContextHolder.clearContext();
        }
        LOG.info("The demo workshop is filled.");
    }

    private void fillShelves() {
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
        hardware(ArticleKind.BEAD, "HB9", "Harbour bead", "#7A5C3E", "9 mm", "4.4 mm", "8 mm");
        hardware(ArticleKind.BEAD, "PB6", "Pebble bead", "#9AA5A8", "6 mm", "2.6 mm", "6 mm");
        hardware(ArticleKind.RING, "RG25", "Split ring 25", "#8A969B", "25 mm", "2 mm", null);
        hardware(ArticleKind.RING, "RG30", "Split ring 30", "#8A969B", "30 mm", "2.5 mm", null);

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

        setRight("NT-61", "62.4 m");
        setRight("OA-33", "48.15 m");
        setRight("HE-04", "4.8 m");
        setRight("BR-19", "71.2 m");
        setRight("CH-40", "66 m");
        setRight("PI-15", "38.7 m");
        setRight("SL-03", "1.35 m");
    }

    private void takeOrders() {
        long marit = take("Marit", "in 6 days", 2, "square-bar", "16.5 cm", null, "OA2", "EM2", "HB9", 3);
        long wouter = take("Wouter", "in 5 days", 1, "snake", "7 1/4 in", null, "NT2", "MA2", null, 0);
        take("Gift counter, ferry house", "in 8 days", 6, "spiral-fob", null, "12 cm", "BR2", "CH2", null, 0);
        take("Sefa", "in 11 days", 1, "square-bar", "15,8 cm", null, "CH2", "LI2", "PB6", 2);
        take("Tuesday Choir", "in 17 days", 4, "snake", "17 cm", null, "HE2", "OA2", null, 0);
        long cut = batches.make("Morning pieces", openWork.allOf(List.of(marit, wouter)));
        cutLists.confirm(cutLists.propose(cut));
    }

    private void cord(String code, String name, String colour, String material, String diameter) {
        ids.put(
                code,
                articles.add(new Articles.NewArticle(
                        code, ArticleKind.CORD, name, colour, material, diameter, null, "30 cm", UnitSystem.METRIC)));
    }

    private void hardware(
            ArticleKind kind,
            String code,
            String name,
            String colour,
            String across,
            String hole,
            @Nullable String length) {
        ids.put(
                code,
                articles.add(new Articles.NewArticle(
                        code, kind, name, colour, null, across, hole, length, UnitSystem.METRIC)));
    }

    private void receive(
            String article, String lot, int putUps, String each, String price, String shelf, @Nullable String flaw) {
        List<Long> made =
                stock.receive(new NewReceipt(id(article), lot, putUps, each, price, shelf, flaw, UnitSystem.METRIC));
        ids.put(lot, made.get(0));
    }

    private void setRight(String lot, String length) {
        stock.adjust(id(lot), length, UnitSystem.METRIC, "used before Restis");
    }

    private long take(
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
        PieceChoices choices = new PieceChoices(
                pattern,
                null,
                wrist,
                null,
                null,
                length,
                List.of(first, second),
                bead,
                beads,
                length == null ? null : "RG25",
                UnitSystem.METRIC);
        return orders.take(
                new Orders.NewOrder(null, customer, due, List.of(new Orders.NewLine(choices, quantity, null))));
    }

    private long id(String code) {
        Long id = ids.get(code);
        if (id == null) {
            throw new IllegalStateException("Impossible state: the demo uses " + code + " before it is there");
        }
        return id;
    }
}
