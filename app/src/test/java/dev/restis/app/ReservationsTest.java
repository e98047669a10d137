package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is promised to one order or batch is not there for another. */
class ReservationsTest extends RestisTest {

    private static String snakeIn(String code) {
        return """
                {"pattern": "snake", "wrist": "16 cm", "colours": ["%1$s", "%1$s"], "units": "METRIC"}
                """.formatted(code);
    }

    private long orderIn(String code, int quantity) throws Exception {
        return tell("/api/orders", order("Reserve " + code, quantity, snakeIn(code)))
                .body()
                .path("id")
                .asLong();
    }

    private void cancel(long order) throws Exception {
        assertThat(tell("/api/orders/" + order + "/acts/CANCEL", "{}").status()).isEqualTo(204);
    }

    /** The check of stock of a snake band in that colour, for an order that is not taken yet. */
    private JsonNode stockCheck(String code) throws Exception {
        JsonNode trial = tell("/api/orders/trial", "{\"choices\": %s, \"quantity\": 1}".formatted(snakeIn(code)))
                .body();
        for (JsonNode check : trial.path("piece").path("checks")) {
            if (check.path("subject").asString().startsWith(code)
                    && !check.path("lengthsUm").isEmpty()) {
                return check;
            }
        }
        throw new AssertionError("no check of the stock of " + code);
    }

    private long reserved(String code) {
        return jdbc.sql("""
                        select coalesce(sum(r.quantity), 0) from article_reserved r join article a on a.id = r.article_id
                        where a.code = ?
                        """).param(code).query(Long.class).single();
    }

    /** A band takes some 3.6 m: of 9 m, two are promised to an order of two, and a third is short until that is cancelled. */
    @Test
    void whatOneOrderWasPromisedIsNotFreeForAnother() throws Exception {
        addCord("RV1", "#335577", "2 mm");
        receive("RV1", "R-1", "9 m", "");
        long each = stockCheck("RV1").path("lengthsUm").path("needed").asLong();
        assertThat(each).isBetween(3_000_000L, 4_000_000L);
        assertThat(stockCheck("RV1").path("verdict").asString()).isEqualTo("GOOD");

        long order = orderIn("RV1", 2);
        assertThat(reserved("RV1")).isEqualTo(2 * each);
        JsonNode short1 = stockCheck("RV1");
        assertThat(short1.path("verdict").asString()).isEqualTo("NO");
        assertThat(short1.path("lengthsUm").path("free").asLong()).isEqualTo(9_000_000 - 2 * each);
        assertThat(short1.path("lengthsUm").path("onHand").asLong()).isEqualTo(9_000_000);
        assertThat(ask("/api/orders/" + order).body().path("shortages"))
                .as("what it was promised itself does not stand in its way")
                .isEmpty();

        cancel(order);
        assertThat(reserved("RV1")).isZero();
        assertThat(stockCheck("RV1").path("verdict").asString()).isEqualTo("GOOD");
    }

    @Test
    void aDraftPromisesNothingAndWhatIsCutIsPromisedNoLonger() throws Exception {
        addCord("RV2", "#335578", "2 mm");
        receive("RV2", "R-2", "5 m", "");
        tell("/api/orders", order("Draft", 1, snakeIn("RV2")).replaceFirst("\\{", "{\"draft\": true, "));
        assertThat(reserved("RV2")).isZero();
        long order = orderIn("RV2", 1);
        long each = reserved("RV2");
        assertThat(each).isPositive();
        JsonNode sheet = sheet(batchOf(order, 1));
        assertThat(reserved("RV2")).isEqualTo(each);
        assertThat(confirm(sheet)).isEqualTo(204);
        assertThat(reserved("RV2")).isZero();
    }

    /** Nine metres are enough for two bands: of two batches planned at once, one waits. */
    @Test
    void twoPlannersDoNotCountOnTheSameMetres() throws Exception {
        addCord("RV3", "#335579", "2 mm");
        receive("RV3", "R-3", "9 m", "");
        long first = batchOf(orderIn("RV3", 2), 2);
        long second = batchOf(orderIn("RV3", 2), 2);
        ExecutorService two = Executors.newFixedThreadPool(2);
        List<Future<JsonNode>> planned = List.of(two.submit(() -> sheet(first)), two.submit(() -> sheet(second)));
        int pieces = 0;
        for (Future<JsonNode> sheet : planned) {
            pieces += sheet.get().path("spools").isEmpty()
                    ? 0
                    : 2 - sheet.get().path("waiting").size();
        }
        two.shutdown();
        assertThat(pieces).isEqualTo(2);
        assertThat(jdbc.sql("""
                        select max(p.planned) from (select holding_id, sum(planned_um) as planned from holding_planned group by 1) p
                            join holding h on h.id = p.holding_id join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where a.code = 'RV3'
                        """).query(Long.class).single()).isLessThanOrEqualTo(9_000_000L);
        for (long batch : List.of(first, second)) {
            tell("/api/plan/batches/" + batch + "/dissolve", "");
        }
    }

    /** Both lists count on metres of their own, so either may be cut first. */
    @Test
    void twoListsOnOneSpoolAreCutInEitherOrder() throws Exception {
        addCord("RV4", "#335580", "2 mm");
        receive("RV4", "R-4", "20 m", "");
        JsonNode first = sheet(batchOf(orderIn("RV4", 1), 1));
        JsonNode second = sheet(batchOf(orderIn("RV4", 1), 1));
        assertThat(confirm(second)).isEqualTo(204);
        assertThat(confirm(first)).isEqualTo(204);
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    private static final List<String> ACTS =
            List.of("QUOTE", "REOPEN", "ACCEPT", "CANCEL", "CANCEL_REST", "REVIVE", "FINISH", "DISPATCH");

    /**
     * Whatever is done to orders in whatever order, allowed or refused: what is promised is what the uncut pieces of accepted
     * orders take, batch by batch, and the books add up.
     */
    @Test
    void whatIsPromisedFollowsEveryActOnOrders() throws Exception {
        Random random = new Random(41);
        List<Long> orders = new ArrayList<>();
        List<Long> batches = new ArrayList<>();
        for (int step = 0; step < 160; step++) {
            int dice = orders.size() < 3 ? 0 : random.nextInt(7);
            long order = orders.isEmpty() ? 0 : orders.get(random.nextInt(orders.size()));
            switch (dice) {
                case 0 ->
                    orders.add(tell("/api/orders", """
                                {"customer": "Any %d", "draft": %s, "lines": [{"quantity": %d, "choices": %s}]}
                                """.formatted(
                                            step, random.nextBoolean(), 1 + random.nextInt(4), snake("17 cm")))
                            .body()
                            .path("id")
                            .asLong());
                case 1, 2 -> tell("/api/orders/" + order + "/acts/" + ACTS.get(random.nextInt(ACTS.size())), "");
                case 3 -> {
                    long batch = batchOf(order, 1 + random.nextInt(2));
                    if (batch > 0) {
                        batches.add(batch);
                    }
                }
                case 4 -> {
                    if (!batches.isEmpty()) {
                        tell("/api/plan/batches/" + batches.get(random.nextInt(batches.size())) + "/dissolve", "");
                    }
                }
                case 5 -> {
                    if (!batches.isEmpty()) {
                        confirm(sheet(batches.get(random.nextInt(batches.size()))));
                    }
                }
                default -> {
                    long line = ask("/api/orders/" + order)
                            .body()
                            .path("lines")
                            .path(0)
                            .path("id")
                            .asLong();
                    tell(
                            "/api/orders/" + order + "/split",
                            "{\"parts\": [{\"line\": %d, \"count\": 1}]}".formatted(line));
                }
            }
            assertThat(new Verification(jdbc).differences())
                    .as("step " + step + ", " + dice)
                    .isEmpty();
        }
        assertThat(batches).as("the walk planned something").isNotEmpty();
        forgetOrders("customer like 'Any %'");
    }
}
