package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** From a file of orders to what each piece cost, through the API, with the books checked at every step. */
class WholePathTest extends RestisTest {

    @Test
    void fromTheFileToTheCost() throws Exception {
        byte[] file = Files.readAllBytes(Path.of("../demo/orders.csv"));
        long orders = count("customer_order");
        Answer preview = upload("/api/orders/import/preview", file);
        assertThat(preview.body().path("bad").asInt()).isEqualTo(3);
        assertThat(count("customer_order")).as("a preview stores nothing").isEqualTo(orders);

        Answer all = upload("/api/orders/import?mode=ALL", file);
        assertThat(all.status()).isEqualTo(422);
        assertThat(all.field("file").path("code").asString()).isEqualTo("file.badRows");
        assertThat(count("customer_order")).isEqualTo(orders);

        Answer taken = upload("/api/orders/import?mode=GOOD_ROWS", file);
        assertThat(taken.body().path("fresh").asInt()).isEqualTo(40);
        long lines = count("order_line");
        Answer again = upload("/api/orders/import?mode=GOOD_ROWS", file);
        assertThat(again.body().path("known").asInt()).isEqualTo(40);
        assertThat(again.body().path("fresh").asInt()).isZero();
        assertThat(count("order_line"))
                .as("the same file again changes nothing")
                .isEqualTo(lines);

        long batch = makeBatchOfEverything();
        long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                .body()
                .path("id")
                .asLong();
        JsonNode sheet = ask("/api/cut/lists/" + list).body();
        assertThat(sheet.path("waiting")).as("Heather is short in the demo").isNotEmpty();
        assertEveryPieceComesFromOneLot(sheet);
        assertThat(ask("/api/cut/lists/" + list + "/sheet.csv").text().lines().count())
                .isGreaterThan(sheet.path("strands").asLong());

        long cut = sheet.path("cutUm").asLong();
        long before = onHand("CORD");
        assertThat(tell("/api/cut/lists/" + list + "/confirm", "").status()).isEqualTo(204);
        assertThat(before - onHand("CORD"))
                .isEqualTo(cut + sheet.path("scrapUm").asLong());
        assertThat(tell("/api/cut/lists/" + list + "/confirm", "").status()).isEqualTo(409);

        assertBooksBalance();
        JsonNode costs = ask("/api/costs?batch=" + batch).body();
        assertThat(ask("/api/costs/totals?batch=" + batch)
                        .body()
                        .path("counted")
                        .asInt())
                .isEqualTo(sheet.path("pieces").asInt());
        for (JsonNode piece : costs.path("pieces")) {
            assertThat(piece.path("actual").path("total").decimalValue()).isPositive();
        }
        assertThat(jdbc.sql("select count(*) from piece where batch_id = ? and stage < 'CUT'")
                        .param(batch)
                        .query(Long.class)
                        .single())
                .as("pieces that wait are open again")
                .isZero();
    }

    @Test
    void oneCutListIsConfirmedOnceEvenByTwoPeopleAtOnce() throws Exception {
        long order = takeSnake("Linnet", 1);
        long batch = batchOf(order, 1);
        long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                .body()
                .path("id")
                .asLong();
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            Callable<Integer> confirm =
                    () -> tell("/api/cut/lists/" + list + "/confirm", "").status();
            List<Integer> statuses = new ArrayList<>();
            for (Future<Integer> answer : two.invokeAll(List.of(confirm, confirm))) {
                statuses.add(answer.get());
            }
            assertThat(statuses).containsExactlyInAnyOrder(204, 409);
        } finally {
            two.shutdownNow();
        }
        assertBooksBalance();
    }

    @Test
    void aStaleCutListIsRefusedAndMovesNothing() throws Exception {
        long batch = batchOf(takeSnake("Odo", 1), 1);
        long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                .body()
                .path("id")
                .asLong();
        long holding = ask("/api/cut/lists/" + list)
                .body()
                .path("spools")
                .path(0)
                .path("holdingId")
                .asLong();
        assertThat(tell(
                                "/api/stock/holdings/" + holding + "/adjust",
                                "{\"quantity\": \"20 cm\", \"units\": \"METRIC\", \"reason\": \"most of it was given away\"}")
                        .status())
                .isEqualTo(204);
        long rows = count("ledger");
        Answer refused = tell("/api/cut/lists/" + list + "/confirm", "");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().path("code").asString()).isEqualTo("stockChanged");
        assertThat(count("ledger")).isEqualTo(rows);
        assertBooksBalance();
    }

    @Test
    void aLeftoverCanBeKeptOrBinned() throws Exception {
        // Whatever other tests have cut, there is cord for this one.
        for (String code : List.of("NT2", "OA2")) {
            long article = jdbc.sql("select id from article where code = ?")
                    .param(code)
                    .query(Long.class)
                    .single();
            String receipt = """
                    {"lines": [{"article": %d, "lot": "LEFT", "putUps": 1, "each": "20 m", "price": "3.00", "units": "METRIC"}]}
                    """;
            assertThat(tell("/api/stock/receipts", receipt.formatted(article)).status())
                    .isEqualTo(201);
        }
        long batch = batchOf(takeSnake("Mirre", 1), 1);
        long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                .body()
                .path("id")
                .asLong();
        JsonNode spool = ask("/api/cut/lists/" + list).body().path("spools").path(0);
        JsonNode rest = spool.path("steps").path(spool.path("steps").size() - 1);
        assertThat(rest.path("kind").asString()).isEqualTo("REST");
        String path = "/api/cut/lists/" + list + "/leftovers/" + rest.path("id").asLong();
        assertThat(send(HttpMethod.PUT, path, "{\"keep\": false}").status()).isEqualTo(204);
        assertThat(tell("/api/cut/lists/" + list + "/confirm", "").status()).isEqualTo(204);
        assertThat(balance(spool.path("holdingId").asLong())).isZero();
        assertBooksBalance();
    }

    @Test
    void aDissolvedBatchOpensItsPiecesAgain() throws Exception {
        long order = takeSnake("Auke", 2);
        long batch = batchOf(order, 2);
        assertThat(tell("/api/plan/batches/" + batch + "/dissolve", "").status())
                .isEqualTo(204);
        assertThat(ask("/api/orders/" + order)
                        .body()
                        .path("lines")
                        .path(0)
                        .path("planned")
                        .asInt())
                .isZero();
        assertThat(send(HttpMethod.DELETE, "/api/orders/" + order, "").status()).isEqualTo(204);
        assertThat(ask("/api/orders/" + order).status()).isEqualTo(404);
    }

    /** A generous margin on a long strand leaves a tail that a short strand of the next lanyard can be cut from. */
    @Test
    void shortStrandsComeFromTheTailsOfPiecesMadeBefore() throws Exception {
        keep("/api/measures/policies", "{\"policy\": \"GENEROUS\"}");
        try {
            String lanyard = """
                    {"pattern": "neck-square", "length": "90 cm", "colours": ["LI2", "LI2"], "units": "METRIC",
                     "parts": {"breakaway": {"article": "BA7"}, "clip": {"article": "SC12"}}}
                    """;
            Answer order = tell("/api/orders", order("Jorun", 3, lanyard));
            assertThat(order.status()).as(order.text()).isEqualTo(201);
            long batch = batchOf(order.body().path("id").asLong(), 3);
            long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                    .body()
                    .path("id")
                    .asLong();
            JsonNode sheet = ask("/api/cut/lists/" + list).body();
            JsonNode trimming = sheet.path("trimmings").path(0);
            assertThat(trimming.path("strands").asInt()).isPositive();
            assertThat(trimming.path("sourceRole").asString()).isEqualTo("working");
            assertThat(trimming.path("tailUm").asLong())
                    .isGreaterThanOrEqualTo(trimming.path("lengthUm").asLong());
            assertThat(ask("/api/cut/lists/" + list + "/sheet.csv").text()).contains("from trimmings");
            assertThat(tell("/api/cut/lists/" + list + "/confirm", "").status()).isEqualTo(204);
            assertThat(ask("/api/costs/totals?batch=" + batch)
                            .body()
                            .path("counted")
                            .asInt())
                    .isEqualTo(3);
            assertBooksBalance();
        } finally {
            keep("/api/measures/policies", "{\"policy\": \"BY_COST\"}");
        }
    }

    private long takeSnake(String customer, int quantity) throws Exception {
        return tell("/api/orders", order(customer, quantity, snake("16 cm")))
                .body()
                .path("id")
                .asLong();
    }

    private long makeBatchOfEverything() throws Exception {
        List<String> picks = new ArrayList<>();
        for (JsonNode setUp : all("/api/plan?", "open")) {
            for (JsonNode line : setUp.path("lines")) {
                if (!line.path("verdict").asString().equals("NO")) {
                    picks.add("{\"line\": %d, \"count\": %d}"
                            .formatted(
                                    line.path("line").asLong(),
                                    line.path("open").asInt()));
                }
            }
        }
        return tell("/api/plan/batches", "{\"picks\": [" + String.join(",", picks) + "]}")
                .body()
                .path("id")
                .asLong();
    }

    private static void assertEveryPieceComesFromOneLot(JsonNode sheet) {
        java.util.Map<String, String> lots = new java.util.HashMap<>();
        for (JsonNode spool : sheet.path("spools")) {
            long sum = 0;
            for (JsonNode step : spool.path("steps")) {
                sum += step.path("lengthUm").asLong();
                if (step.path("kind").asString().equals("STRAND")) {
                    String key = step.path("pieceId").asLong() + "/"
                            + spool.path("articleCode").asString();
                    String lot = spool.path("lot").asString();
                    assertThat(lots.getOrDefault(key, lot)).isEqualTo(lot);
                    lots.put(key, lot);
                }
            }
            assertThat(sum).isEqualTo(spool.path("lengthUm").asLong());
        }
    }

    private long onHand(String kind) {
        return jdbc.sql("""
                        select sum(b.quantity) from holding_balance b join holding h on h.id = b.holding_id
                        join lot on lot.id = h.lot_id join article a on a.id = lot.article_id where a.kind = ?
                        """).param(kind).query(Long.class).single();
    }

    private long balance(long holding) {
        return jdbc.sql("select coalesce(sum(quantity), 0) from ledger where holding_id = ?")
                .param(holding)
                .query(Long.class)
                .single();
    }

    /** Receipts = on hand + pieces + adjusted, each from its own table; and no balance is below zero. */
    private void assertBooksBalance() throws Exception {
        JsonNode books = ask("/api/costs/books").body();
        assertThat(books.path("difference").decimalValue()).isEqualByComparingTo(BigDecimal.ZERO);
        assertThat(books.path("pieces").decimalValue()).isPositive();
        assertThat(jdbc.sql(
                                "select count(*) from holding_balance where quantity < 0 or value < 0 or (quantity = 0 and value <> 0)")
                        .query(Long.class)
                        .single())
                .isZero();
    }
}
