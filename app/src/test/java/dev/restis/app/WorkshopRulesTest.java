package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Rules of stock, plan and orders as a user meets them. */
class WorkshopRulesTest extends RestisTest {

    @Test
    void aDeliverysPriceIsSharedOutToTheLastHundredthOfACent() throws Exception {
        long article = article("DU25");
        receive(article, "DU-SHARE", 3, "30 m", "10.00", "");
        BigDecimal sum = jdbc.sql("""
                        select sum(l.value) from ledger l join holding h on h.id = l.holding_id
                        join lot on lot.id = h.lot_id where lot.code = 'DU-SHARE'
                        """).query(BigDecimal.class).single();
        assertThat(sum).isEqualByComparingTo("10.00");
    }

    @Test
    void noStrandIsCutAcrossAFlaw() throws Exception {
        addCord("FLAW", "Flawed");
        receive(article("FLAW"), "FL-1", 1, "20 m", "4.00", "1 m");
        JsonNode sheet = cutSheet(order("Ewout", 1, snake("17 cm", "FLAW")));
        for (JsonNode spool : sheet.path("spools")) {
            for (JsonNode step : spool.path("steps")) {
                long from = step.path("fromUm").asLong();
                long to = from + step.path("lengthUm").asLong();
                for (JsonNode flaw : spool.path("flawsUm")) {
                    boolean crossed = from < flaw.asLong() && flaw.asLong() < to;
                    assertThat(crossed && step.path("kind").asString().equals("STRAND"))
                            .as("strand from %d to %d", from, to)
                            .isFalse();
                }
            }
        }
        assertThat(sheet.path("spools").findValuesAsString("kind")).contains("OFFCUT");
    }

    @Test
    void cordThatIsFoundCostsNothingAndCordThatIsLostTakesItsShare() throws Exception {
        addCord("LOST", "Lost and found");
        receive(article("LOST"), "LF-1", 1, "10 m", "5.00", "");
        long holding = jdbc.sql("select h.id from holding h join lot on lot.id = h.lot_id where lot.code = 'LF-1'")
                .query(Long.class)
                .single();
        adjust(holding, "8 m");
        assertThat(valueOf(holding)).isEqualByComparingTo("4.00");
        adjust(holding, "9 m");
        assertThat(valueOf(holding)).isEqualByComparingTo("4.00");
        Answer same = tell("/api/stock/holdings/" + holding + "/adjust", counted("9 m"));
        assertThat(same.field("quantity").path("code").asString()).isEqualTo("counted.same");
    }

    @Test
    void aPieceIsTakenIntoOneBatchEvenByTwoPlannersAtOnce() throws Exception {
        long line = lineOf(take(order("Tamsin", 3, snake("16 cm", "OA2"))));
        String batch = "{\"picks\": [{\"line\": %d, \"count\": 2}]}".formatted(line);
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            Callable<Integer> plan = () -> tell("/api/plan/batches", batch).status();
            List<Integer> statuses = new ArrayList<>();
            for (Future<Integer> answer : two.invokeAll(List.of(plan, plan))) {
                statuses.add(answer.get());
            }
            assertThat(statuses).containsExactlyInAnyOrder(201, 422);
        } finally {
            two.shutdownNow();
        }
        assertThat(jdbc.sql("select count(*) from piece where line_id = ? and batch_id is not null")
                        .param(line)
                        .query(Long.class)
                        .single())
                .isEqualTo(2);
    }

    @Test
    void aPieceWhoseBeadDoesNotTakeTheCordIsNotPlanned() throws Exception {
        String choices = """
                {"pattern": "square-bar", "wrist": "16 cm", "colours": ["NT2", "OA2"], "parts": {"bead": {"article": "PB6", "count": 2}}, "units": "METRIC"}
                """;
        long line = lineOf(take(order("Sefa", 1, choices)));
        Answer refused = tell("/api/plan/batches", "{\"picks\": [{\"line\": %d, \"count\": 1}]}".formatted(line));
        assertThat(refused.field("picks").path("code").asString()).isEqualTo("picks.cannotBeMade");
        assertThat(refused.field("picks").path("message").asString()).contains("hole");
    }

    @Test
    void aRowThatSaysSomethingElseIsShownAndLeftAsItIs() throws Exception {
        String head = "reference,customer,quantity,pattern,wrist,colour 1,colour 2\n";
        upload(
                "/api/orders/import?mode=ALL",
                (head + "D-1,Joris,1,snake,17 cm,NT2,OA2\n").getBytes(java.nio.charset.StandardCharsets.UTF_8));
        Answer changed = upload(
                "/api/orders/import?mode=ALL",
                (head + "D-1,Joris,3,snake,17 cm,NT2,OA2\n").getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(changed.body().path("different").asInt()).isEqualTo(1);
        assertThat(ask("/api/orders?query=D-1")
                        .body()
                        .path("rows")
                        .path(0)
                        .path("pieces")
                        .asInt())
                .isEqualTo(1);
    }

    private static String snake(String wrist, String second) {
        return "{\"pattern\": \"snake\", \"wrist\": \"%s\", \"colours\": [\"NT2\", \"%s\"], \"units\": \"METRIC\"}"
                .formatted(wrist, second);
    }

    private long take(String order) throws Exception {
        return tell("/api/orders", order).body().path("id").asLong();
    }

    private long lineOf(long order) throws Exception {
        return ask("/api/orders/" + order)
                .body()
                .path("lines")
                .path(0)
                .path("id")
                .asLong();
    }

    private JsonNode cutSheet(String order) throws Exception {
        String picks = "{\"picks\": [{\"line\": %d, \"count\": 1}]}".formatted(lineOf(take(order)));
        long batch = tell("/api/plan/batches", picks).body().path("id").asLong();
        long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                .body()
                .path("id")
                .asLong();
        return ask("/api/cut/lists/" + list).body();
    }

    private long article(String code) {
        return jdbc.sql("select id from article where code = ?")
                .param(code)
                .query(Long.class)
                .single();
    }

    private void addCord(String code, String name) throws Exception {
        String cord = """
                {"code": "%s", "kind": "CORD", "name": "%s", "colour": "#556677", "material": "polyester",
                 "diameter": "2 mm", "keep": "30 cm", "units": "METRIC"}
                """;
        assertThat(tell("/api/stock/articles", cord.formatted(code, name)).status())
                .isEqualTo(201);
    }

    private void receive(long article, String lot, int putUps, String each, String price, String flawAt)
            throws Exception {
        String receipt = """
                {"lines": [{"article": %d, "lot": "%s", "putUps": %d, "each": "%s", "price": "%s", "flawAt": "%s",
                  "units": "METRIC"}]}
                """;
        assertThat(tell("/api/stock/receipts", receipt.formatted(article, lot, putUps, each, price, flawAt))
                        .status())
                .isEqualTo(201);
    }

    private void adjust(long holding, String length) throws Exception {
        assertThat(tell("/api/stock/holdings/" + holding + "/adjust", counted(length))
                        .status())
                .isEqualTo(204);
    }

    private static String counted(String length) {
        return "{\"quantity\": \"%s\", \"units\": \"METRIC\", \"reason\": \"counted\"}".formatted(length);
    }

    private BigDecimal valueOf(long holding) {
        return jdbc.sql("select value from holding_balance where holding_id = ?")
                .param(holding)
                .query(BigDecimal.class)
                .single();
    }
}
