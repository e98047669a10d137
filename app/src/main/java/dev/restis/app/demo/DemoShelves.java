package dev.restis.app.demo;

import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.app.stock.Articles;
import dev.restis.app.stock.GoodsIn;
import dev.restis.app.stock.Receipts.NewNote;
import dev.restis.app.stock.Receipts.NewReceipt;
import dev.restis.app.stock.Stock;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Occasion;
import dev.restis.core.stock.Unit;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What lies on the shelves of the demo workshop, and how it came there. */
@Component
class DemoShelves {

    private final Articles articles;
    private final Stock stock;
    private final GoodsIn goodsIn;
    private final Map<String, Long> ids = new HashMap<>();

    DemoShelves(Articles articles, Stock stock, GoodsIn goodsIn) {
        this.articles = articles;
        this.stock = stock;
        this.goodsIn = goodsIn;
    }

    /** Articles by their codes, and holdings by those of their lots. */
    Map<String, Long> ids() {
        return ids;
    }

    void nameArticles() {
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

    void receiveWhatIsThere() {
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

    void measureWhatWasBegun() {
        setRight("NT-61", "62.4 m");
        setRight("OA-33", "48.15 m");
        setRight("HE-04", "4.8 m");
        setRight("BR-19", "71.2 m");
        setRight("CH-40", "66 m");
        setRight("PI-15", "38.7 m");
        setRight("SL-03", "1.35 m");
        stock.measure(stock.lotOf(id("SL-03")), "1.6 mm", UnitSystem.METRIC);
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

    void receive(
            String article, String lot, int putUps, String each, String price, String shelf, @Nullable String flaw) {
        NewReceipt line =
                new NewReceipt(id(article), lot, putUps, each, price, shelf, null, flaw, null, null, UnitSystem.METRIC);
        ids.put(lot, goodsIn.take(NewNote.of(line)).holdings().get(0));
    }

    private void setRight(String lot, String length) {
        stock.adjust(id(lot), length, UnitSystem.METRIC, "used before Restis");
    }

    private long id(String code) {
        Long id = ids.get(code);
        if (id == null) {
            throw new IllegalStateException("Impossible state: the demo uses " + code + " before it is there");
        }
        return id;
    }
}
