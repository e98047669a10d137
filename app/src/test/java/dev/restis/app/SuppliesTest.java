package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.http.HttpMethod;
import org.springframework.test.util.ReflectionTestUtils;
import tools.jackson.databind.JsonNode;

/** Delivery notes, who sells what, what to buy, and stocktakes. */
class SuppliesTest extends RestisTest {

    @Autowired
    private ApplicationContext context;

    private long article(String code) {
        return jdbc.sql("select id from article where code = ?")
                .param(code)
                .query(Long.class)
                .single();
    }

    private JsonNode note(String lines, String more) throws Exception {
        Answer answer = tell("/api/stock/receipts", "{%s \"lines\": [%s]}".formatted(more, lines));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.body();
    }

    private static String line(long article, String lot, int putUps, String each, String price) {
        return """
                {"article": %d, "lot": "%s", "putUps": %d, "each": "%s", "price": "%s", "shelf": "Y9", "units": "METRIC"}
                """.formatted(article, lot, putUps, each, price);
    }

    private List<BigDecimal> worth(JsonNode receipt) {
        return StreamSupport.stream(receipt.path("holdings").spliterator(), false)
                .map(h -> jdbc.sql("select value from holding where id = ?")
                        .param(h.asLong())
                        .query(BigDecimal.class)
                        .single())
                .toList();
    }

    /** 10.00 freight on 30.00 and 20.00: 6.00 and 4.00; three spools share 36.00, one box is worth 24.00. */
    @Test
    void freightIsSharedByPriceToTheLastHundredthOfACent() throws Exception {
        JsonNode receipt = note(
                line(article("BR2"), "FR-1", 3, "50 m", "30.00") + "," + line(article("HB9"), "FR-2", 1, "40", "20.00"),
                "\"number\": \"DN-77\", \"freight\": \"10.00\",");
        assertThat(worth(receipt)).allSatisfy(v -> assertThat(v.scale()).isEqualTo(4));
        assertThat(worth(receipt))
                .containsExactly(
                        new BigDecimal("12.0000"),
                        new BigDecimal("12.0000"),
                        new BigDecimal("12.0000"),
                        new BigDecimal("24.0000"));
        JsonNode noted = ask("/api/stock/receipts").body().path(0);
        assertThat(noted.path("number").asString()).isEqualTo("DN-77");
        assertThat(noted.path("total").decimalValue()).isEqualByComparingTo("60");
        assertThat(noted.path("lines").path(0).path("freight").decimalValue()).isEqualByComparingTo("6");
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    /** One line that cannot be read keeps the whole note from being taken; each fault names its line. */
    @Test
    void aNoteIsTakenWholeOrNotAtAll() throws Exception {
        long holdings = count("holding");
        Answer answer = tell(
                "/api/stock/receipts",
                "{\"receivedOn\": \"2999-01-01\", \"freight\": \"much\", \"lines\": [%s, %s]}"
                        .formatted(line(article("BR2"), "GOOD", 1, "50 m", "8"), line(-4, "BAD", 1, "50 m", "8")));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("receivedOn", "freight", "lines[1].article");
        assertThat(count("holding")).isEqualTo(holdings);
    }

    private long supplier(String name, int leadDays) throws Exception {
        return tell(
                        "/api/stock/suppliers",
                        "{\"name\": \"%s\", \"leadDays\": %d, \"minimum\": \"50\", \"version\": 0}"
                                .formatted(name, leadDays))
                .body()
                .path("id")
                .asLong();
    }

    private long putUp(long article, long supplier, String quantity, String price) throws Exception {
        return tell(
                        "/api/stock/articles/" + article + "/put-ups",
                        "{\"supplier\": %d, \"quantity\": \"%s\", \"price\": \"%s\", \"code\": \"X\", \"units\": \"METRIC\"}"
                                .formatted(supplier, quantity, price))
                .body()
                .path("id")
                .asLong();
    }

    /**
     * 125 cm a day of which 25 come back as tails, so 7 m a week, for eight weeks: the same habit whether the days that are over
     * are summed or not.
     */
    @Test
    void whatAWeekUsesUpIsTheSameSummedOrNot() throws Exception {
        addCord("USE2", "#3F5A44", "2 mm");
        receive("USE2", "U-1", "200 m", "");
        jdbc.sql("update lot set received_on = current_date - 56 where code = 'U-1'")
                .update();
        jdbc.sql("""
                        insert into ledger (at, who, movement, holding_id, quantity, value, reason)
                        select now() - d * interval '1 day', 'Tove', m.movement, h.id, m.quantity, m.value, ''
                        from holding h join lot on lot.id = h.lot_id cross join generate_series(0, 55) d
                             cross join (values ('SELL', -1250000, -0.02), ('LEFT', 250000, 0)) m (movement, quantity, value)
                        where lot.code = 'U-1'
                        """).update();
        jdbc.sql("delete from usage_day").update();
        jdbc.sql("update usage_summed set until = null").update();
        assertThat(toBuy("USE2").path("weekly").asLong()).isEqualTo(7_000_000);
        JsonNode before = toBuy("USE2");
        ReflectionTestUtils.invokeMethod(context.getBean("usageDays"), "sum");
        assertThat(jdbc.sql("select count(*) from usage_day where article_id = ?")
                        .param(article("USE2"))
                        .query(Long.class)
                        .single())
                .isBetween(54L, 56L);
        assertThat(toBuy("USE2")).isEqualTo(before);
    }

    private JsonNode toBuy(String code) throws Exception {
        String after = "";
        while (true) {
            JsonNode page = ask("/api/stock/buy?after=" + after).body();
            for (JsonNode line : page.path("rows")) {
                if (line.path("code").asString().equals(code)) {
                    return line;
                }
            }
            assertThat(page.path("next").isString()).as("nothing of " + code).isTrue();
            after = page.path("next").asString();
        }
    }

    /** Whatever is promised beyond the shelves is suggested in whole put-ups; what is bought is on order until it has come. */
    @Test
    void whatIsMissingIsBoughtAndReceivedAgainstThePurchase() throws Exception {
        addCord("BUY2", "#123456", "2 mm");
        long article = article("BUY2");
        long supplier = supplier("Fulmar Ropewalk", 5);
        long short25 = putUp(article, supplier, "25 m", "5");
        long long50 = putUp(article, supplier, "50 m", "8");
        assertThat(toBuy("BUY2").path("offers").path(0).path("needed").asLong()).isZero();
        String piece = """
                {"pattern": "snake", "wrist": "17 cm", "colours": ["BUY2", "BUY2"], "units": "METRIC"}
                """;
        tell("/api/orders", order("Fenna", 30, piece));
        JsonNode line = toBuy("BUY2");
        JsonNode offer = line.path("offers").path(0);
        assertThat(offer.path("needed").asLong())
                .isEqualTo(line.path("owed").asLong())
                .isPositive();
        assertThat(offer.path("quantity").asLong())
                .isGreaterThanOrEqualTo(offer.path("needed").asLong());
        assertThat(line.path("runsOut").asString()).isNotEmpty();
        int fifties = (int) (offer.path("needed").asLong() / 50_000_000) + 1;

        long purchase = tell(
                        "/api/stock/purchases",
                        "{\"supplier\": %d, \"lines\": [{\"putUp\": %d, \"count\": %d}]}"
                                .formatted(supplier, long50, fifties))
                .body()
                .path("id")
                .asLong();
        assertThat(toBuy("BUY2").path("offers").path(0).path("needed").asLong()).isZero();
        assertThat(toBuy("BUY2").path("onOrder").asLong()).isEqualTo(50_000_000L * fifties);
        assertThat(ask("/api/stock/purchases/" + purchase + "/list.csv").text()).contains("BUY2", ",50 m,");
        byte[] pdf = mvc().perform(
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get(
                                        "/api/stock/purchases/" + purchase + "/list.pdf")
                                .with(org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.user("Tove")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");

        long bought = jdbc.sql("select id from purchase_line where purchase_id = ?")
                .param(purchase)
                .query(Long.class)
                .single();
        String delivered = line(article, "B-1", fifties, "50 m", "8")
                .replace("\"units\"", "\"purchaseLine\": " + bought + ", \"units\"");
        note(delivered, "");
        assertThat(toBuy("BUY2").path("onOrder").asLong()).isZero();
        assertThat(jdbc.sql("select closed_at is not null from purchase where id = ?")
                        .param(purchase)
                        .query(Boolean.class)
                        .single())
                .isTrue();
        assertThat(tell("/api/stock/purchases/" + purchase + "/close", "").status())
                .isEqualTo(409);
        Answer again = tell("/api/stock/receipts", "{\"lines\": [%s]}".formatted(delivered));
        assertThat(again.text()).contains("lines[0].purchaseLine");
        assertThat(tell("/api/stock/put-ups/" + short25 + "/withdraw", "").status())
                .isEqualTo(204);
        forgetOrders("customer = 'Fenna'");
    }

    @Test
    void twoWhoChangeASupplierDoNotOverwriteEachOther() throws Exception {
        long supplier = supplier("Kittiwake Cords", 9);
        String change = "{\"name\": \"Kittiwake Cords\", \"leadDays\": %d, \"version\": 0}";
        assertThat(send(HttpMethod.PUT, "/api/stock/suppliers/" + supplier, change.formatted(4))
                        .status())
                .isEqualTo(204);
        assertThat(send(HttpMethod.PUT, "/api/stock/suppliers/" + supplier, change.formatted(8))
                        .status())
                .isEqualTo(409);
        Answer twin =
                tell("/api/stock/suppliers", "{\"name\": \"kittiwake CORDS\", \"leadDays\": 400, \"version\": 0}");
        assertThat(twin.text()).contains("\"name\"", "leadDays");
    }

    /** Eight at once: one adds the supplier, one lot is there for all eight deliveries, and nobody is told that something broke. */
    @Test
    void theSameAtOnceIsThereOnce() throws Exception {
        long article = article("BR2");
        List<Callable<Integer>> rush = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            rush.add(() -> tell("/api/stock/suppliers", "{\"name\": \"Gannet Twine\", \"leadDays\": 3, \"version\": 0}")
                    .status());
            rush.add(() -> tell(
                            "/api/stock/receipts", "{\"lines\": [%s]}".formatted(line(article, "RUSH", 1, "10 m", "2")))
                    .status());
        }
        ExecutorService pool = Executors.newFixedThreadPool(8);
        List<Integer> answers = new ArrayList<>();
        try {
            for (Future<Integer> answer : pool.invokeAll(rush)) {
                answers.add(answer.get());
            }
        } finally {
            pool.shutdownNow();
        }
        assertThat(answers).allMatch(status -> status < 500);
        assertThat(answers.stream().filter(status -> status == 201)).hasSize(9);
        assertThat(jdbc.sql("select quantity from lot where code = 'RUSH'")
                        .query(Long.class)
                        .list())
                .containsExactly(80_000_000L);
    }

    private JsonNode sheetLine(long stocktake, long holding) throws Exception {
        return StreamSupport.stream(
                        ask("/api/stock/stocktakes/" + stocktake)
                                .body()
                                .path("lines")
                                .spliterator(),
                        false)
                .filter(l -> l.path("holdingId").asLong() == holding)
                .findFirst()
                .orElseThrow();
    }

    private int count(long stocktake, long holding, String amount, String how, String tare) throws Exception {
        return tell(
                        "/api/stock/stocktakes/" + stocktake + "/holdings/" + holding,
                        "{\"amount\": \"%s\", \"how\": \"%s\", \"tare\": \"%s\", \"units\": \"METRIC\"}"
                                .formatted(amount, how, tare))
                .status();
    }

    /**
     * 50 m for 20.00. Blind: what is expected stays secret until it is counted. 160 g on the scale less 40 g at 2.5 g a metre
     * are 48 m; while it waits to be booked, 5 m are sold. The difference of 2 m is booked, not the count: 43 m remain, and
     * the 2 m take their share of what was left, 18.00 / 45 x 2 = 0.80.
     */
    @Test
    void aStocktakeByWeightBooksItsDifference() throws Exception {
        addCord("WEI2", "#654321", "2 mm");
        long article = article("WEI2");
        long holding = note(line(article, "W-1", 1, "50 m", "20.00"), "")
                .path("holdings")
                .path(0)
                .asLong();
        long stocktake = tell("/api/stock/stocktakes", "{\"article\": \"wei2\", \"blind\": true}")
                .body()
                .path("id")
                .asLong();
        assertThat(sheetLine(stocktake, holding).has("expected")).isFalse();
        assertThat(count(stocktake, holding, "160 g", "WEIGHT", "40 g"))
                .as("no density yet")
                .isEqualTo(422);
        Answer density = send(
                HttpMethod.PUT,
                "/api/stock/articles/" + article + "/density",
                "{\"gross\": \"165 g\", \"tare\": \"40 g\", \"length\": \"50 m\", \"units\": \"METRIC\"}");
        assertThat(density.body().path("ugM").asLong()).isEqualTo(2_500_000);
        assertThat(count(stocktake, holding, "30 g", "WEIGHT", "40 g"))
                .as("below tare")
                .isEqualTo(422);
        assertThat(count(stocktake, holding, "160 g", "WEIGHT", "40 g")).isEqualTo(204);
        assertThat(sheetLine(stocktake, holding).path("difference").asLong()).isEqualTo(-2_000_000);
        assertThat(tell(
                                "/api/stock/holdings/" + holding + "/away/SELL",
                                "{\"quantity\": \"5 m\", \"reason\": \"by the metre\", \"units\": \"METRIC\"}")
                        .status())
                .isEqualTo(204);
        assertThat(tell("/api/stock/stocktakes/" + stocktake + "/book", "{\"reasons\": []}")
                        .status())
                .as("without a reason")
                .isEqualTo(422);
        String reasons = "{\"reasons\": [{\"holding\": %d, \"reason\": \"samples\"}]}".formatted(holding);
        assertThat(tell("/api/stock/stocktakes/" + stocktake + "/book", reasons).status())
                .isEqualTo(204);
        assertThat(jdbc.sql("select quantity from holding where id = ?")
                        .param(holding)
                        .query(Long.class)
                        .single())
                .isEqualTo(43_000_000);
        assertThat(jdbc.sql("select value from ledger where holding_id = ? and movement = 'COUNT'")
                        .param(holding)
                        .query(BigDecimal.class)
                        .single())
                .isEqualByComparingTo("-0.80");
        assertThat(tell("/api/stock/stocktakes/" + stocktake + "/book", reasons).status())
                .isEqualTo(409);
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    @Test
    void moreThanIsLeftCannotBeMissing() throws Exception {
        long holding = note(line(article("HB9"), "ST-1", 1, "10", "5.00"), "")
                .path("holdings")
                .path(0)
                .asLong();
        long stocktake = tell("/api/stock/stocktakes", "{\"shelf\": \"y9\", \"blind\": false}")
                .body()
                .path("id")
                .asLong();
        assertThat(sheetLine(stocktake, holding).path("expected").asLong()).isEqualTo(10);
        assertThat(count(stocktake, holding, "4", "COUNT", "")).isEqualTo(204);
        assertThat(tell(
                                "/api/stock/holdings/" + holding + "/away/BIN",
                                "{\"quantity\": \"7\", \"reason\": \"cracked\", \"units\": \"METRIC\"}")
                        .status())
                .isEqualTo(204);
        String reasons = "{\"reasons\": [{\"holding\": %d, \"reason\": \"lost\"}]}".formatted(holding);
        Answer booked = tell("/api/stock/stocktakes/" + stocktake + "/book", reasons);
        assertThat(booked.status()).isEqualTo(422);
        assertThat(booked.text()).contains("reasons[" + holding + "]");
        assertThat(tell("/api/stock/stocktakes/" + stocktake + "/give-up", "").status())
                .isEqualTo(204);
    }

    @Test
    void nothingThereIsNoStocktake() throws Exception {
        assertThat(tell("/api/stock/stocktakes", "{\"shelf\": \"nowhere\", \"blind\": false}")
                        .status())
                .isEqualTo(422);
    }

    /** From both sides the same: what the cord says of the bead, the bead says of the cord. */
    @Test
    void whatFitsIsSeenFromBothSides() throws Exception {
        JsonNode cord = ask("/api/stock/articles/nt2").body();
        JsonNode bead = ask("/api/stock/articles/HB9").body();
        JsonNode ofCord = fit(cord, "HB9");
        JsonNode ofBead = fit(bead, "NT2");
        for (String figure : List.of("through", "tapered", "onBar", "bunched")) {
            assertThat(ofCord.path(figure).asInt())
                    .as(figure)
                    .isEqualTo(ofBead.path(figure).asInt());
        }
        // 4.4 mm x 0.92 = 4.05 mm: three strands of 2 mm at 0.9 are 3.88, four 4.35.
        assertThat(ofCord.path("through").asInt()).isEqualTo(3);
        assertThat(fit(cord, "BK16").path("onBar").asInt()).isEqualTo(8);
        assertThat(cord.path("lots").size()).isPositive();
        assertThat(ask("/api/stock/articles/NOSUCH").status()).isEqualTo(404);
    }

    private static JsonNode fit(JsonNode card, String code) {
        return StreamSupport.stream(card.path("fits").spliterator(), false)
                .filter(f -> f.path("code").asString().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode articlesFile(String path, String text) throws Exception {
        Answer answer = upload("/api/stock/articles-file" + path, text.getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.body();
    }

    /** What is written out reads in as the same, from both forms. */
    @Test
    void exportedArticlesAreKnownWhenTheyComeBack() throws Exception {
        for (String form : List.of("csv", "json")) {
            String exported = ask("/api/stock/articles." + form).text();
            JsonNode view = articlesFile("/preview?units=METRIC", exported);
            assertThat(view.path("known").asInt())
                    .as(view.path("rows").toString())
                    .isEqualTo(view.path("rows").size())
                    .isGreaterThan(30);
        }
    }

    @Test
    void aFileOfArticlesIsPreviewedAndTaken() throws Exception {
        addCord("FIL2", "#112233", "2 mm");
        String file = """
                Code;Kind;Name;Colour;Material;Diameter;Keep;Hole;Across;Length;Origin
                FIL3;cord;=Fjord;#334455;polyester;2,5 mm;30 cm;;;;north
                FIL4;bead;Agate;#556677;;;;3 mm;8 mm;8 mm;
                FIL2;cord;fil2;#112299;polyester;2 mm;40 cm;;;;
                """;
        JsonNode view = articlesFile("/preview?units=METRIC", file);
        assertThat(view.path("fresh").asInt()).as(view.toString()).isEqualTo(2);
        assertThat(view.path("unknown").path(0).asString()).isEqualTo("Origin");
        JsonNode changes = view.path("rows").path(2).path("changes");
        assertThat(changes.size()).isEqualTo(2);
        assertThat(changes.path(0).path("then").asString()).isEqualTo("#112299");
        assertThat(ask("/api/stock/articles/FIL3").status())
                .as("a preview keeps nothing")
                .isEqualTo(404);
        articlesFile("?units=METRIC&take=NEW", file);
        assertThat(ask("/api/stock/articles/FIL2").text()).contains("#112233");
        articlesFile("?units=METRIC&take=ALL", file);
        assertThat(ask("/api/stock/articles/FIL2").text()).contains("#112299", "400000");
        String exported = ask("/api/stock/articles.csv").text();
        assertThat(exported).contains("'=Fjord");
        assertThat(articlesFile("/preview?units=METRIC", exported)
                        .path("different")
                        .asInt())
                .as("the apostrophe is the file's, not the name's")
                .isZero();
        assertThat(articlesFile("/preview?units=METRIC", file).path("known").asInt())
                .isEqualTo(3);
    }

    @Test
    void rowsThatCannotBeReadSayWhyAndKeepTheRestFromBeingTakenWhole() throws Exception {
        String file = """
                code,kind,name,colour,material,diameter,keep
                BAD1,rope,Rope,#334455,polyester,2 mm,30 cm
                NT2,bead,Night,#334455,,,
                BAD2,cord,Far too thick,#33,wool,90 mm,30 cm
                BAD3,cord,Twice,#334455,polyester,2 mm,30 cm
                BAD3,cord,Twice,#334455,polyester,2 mm,30 cm
                """;
        JsonNode view = articlesFile("/preview?units=METRIC", file);
        assertThat(view.path("bad").asInt()).isEqualTo(4);
        assertThat(view.path("rows").path(0).toString()).contains("no kind of article");
        assertThat(view.path("rows").path(1).toString()).contains("another kind");
        assertThat(view.path("rows").path(2).path("problems").size()).isEqualTo(3);
        assertThat(upload("/api/stock/articles-file?units=METRIC&take=ALL", file.getBytes(StandardCharsets.UTF_8))
                        .status())
                .isEqualTo(422);
        assertThat(upload("/api/stock/articles-file/preview?units=METRIC", new byte[] {0, 1, 2, 3})
                        .status())
                .isEqualTo(422);
    }
}
