package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** The life of an order: from draft to dispatch, and everything that may happen on the way. */
class OrdersTest extends RestisTest {

    @Test
    void livesFromDraftToDispatch() throws Exception {
        long order = take("Ysolde", 2, true);
        assertThat(state(order)).isEqualTo("DRAFT");
        assertThat(acts(order)).contains("QUOTE", "ACCEPT").doesNotContain("PLAN", "FINISH");
        assertThat(openLines()).as("drafts are not planned").doesNotContain(line(order));

        assertThat(act(order, "QUOTE")).isEqualTo(204);
        JsonNode quote = see(order).path("quote");
        assertThat(quote.path("number").asInt()).isEqualTo(1);
        assertThat(quote.path("acceptedAt").isMissingNode()).isTrue();
        assertThat(act(order, "FINISH")).as("nothing is cut yet").isEqualTo(409);

        assertThat(act(order, "ACCEPT")).isEqualTo(204);
        JsonNode accepted = see(order);
        assertThat(accepted.path("state").asString()).isEqualTo("ACCEPTED");
        assertThat(accepted.path("quote").path("acceptedAt").asString()).isNotEmpty();
        assertThat(accepted.path("due").asString())
                .as("the day it can be ready is promised")
                .isEqualTo(quote.path("price").path("ready").asString());

        long batch = batchOf(order, 1);
        assertThat(state(order)).isEqualTo("PLANNED");
        confirm(batch);
        assertThat(state(order)).isEqualTo("CUTTING");
        confirm(batchOf(order, 1));
        assertThat(state(order)).isEqualTo("MAKING");
        JsonNode first = ask("/api/orders/" + order + "/pieces/next?act=FINISH&count=1")
                .body()
                .path("pieces");
        assertThat(first).hasSize(1);
        assertThat(first.path(0).path("number").asInt()).as("the lowest number").isEqualTo(1);
        long piece = first.path(0).path("piece").path("piece").asLong();
        assertThat(tell("/api/pieces/acts", "{\"act\": \"FINISH\", \"pieces\": [%d]}".formatted(piece))
                        .status())
                .isEqualTo(204);
        assertThat(state(order)).isEqualTo("MAKING");
        assertThat(act(order, "FINISH")).isEqualTo(204);
        assertThat(state(order)).isEqualTo("FINISHED");
        assertThat(takeBackLast(order, piece).status()).isEqualTo(204);
        assertThat(state(order)).isEqualTo("MAKING");
        assertThat(act(order, "FINISH")).isEqualTo(204);
        assertThat(act(order, "DISPATCH")).isEqualTo(204);
        assertThat(state(order)).isEqualTo("DISPATCHED");
        assertThat(acts(order)).isEmpty();
        assertThat(new Verification(jdbc).differences()).isEmpty();
        assertThat(happened(order))
                .containsExactly(
                        "TAKEN",
                        "QUOTED",
                        "ACCEPTED",
                        "PLANNED",
                        "CUT",
                        "PLANNED",
                        "CUT",
                        "MADE",
                        "MADE",
                        "UNMADE",
                        "MADE",
                        "DISPATCHED");
    }

    /** Two people change different fields: both stand. The same field: the second is told what the first made of it. */
    @Test
    void twoPeopleChangeOneOrderAndNothingIsLost() throws Exception {
        long order = take("Ferran", 2, true);
        long line = line(order);
        assertThat(change(order, "\"customer\": {\"from\": \"Ferran\", \"to\": \"Ferran & Son\"}")
                        .status())
                .isEqualTo(200);
        Answer other =
                change(order, "\"lines\": [{\"line\": %d, \"quantity\": {\"from\": 2, \"to\": 3}}]".formatted(line));
        assertThat(other.body().path("customer").asString()).isEqualTo("Ferran & Son");
        assertThat(other.body().path("lines").path(0).path("quantity").asInt()).isEqualTo(3);

        Answer late = change(
                order,
                "\"note\": {\"from\": \"\", \"to\": \"gift\"}, \"customer\": {\"from\": \"Ferran\", \"to\": \"Ferranz\"}");
        assertThat(late.status()).isEqualTo(422);
        assertThat(late.field("customer").path("message").asString()).contains("Ferran & Son");
        assertThat(see(order).path("note").asString()).as("all or nothing").isEmpty();
        assertThat(change(order, "\"customer\": {\"from\": \"Ferran\", \"to\": \"Ferran & Son\"}")
                        .status())
                .as("both want the same")
                .isEqualTo(200);
    }

    @Test
    void manyChangesAtOnceAreMadeOneAfterTheOther() throws Exception {
        long order = take("Quill", 1, true);
        List<Callable<Integer>> changes = IntStream.range(0, 8)
                .<Callable<Integer>>mapToObj(i ->
                        () -> change(order, "\"customer\": {\"from\": \"Quill\", \"to\": \"Quill %d\"}".formatted(i))
                                .status())
                .toList();
        assertThat(atOnce(changes))
                .containsOnlyOnce(200)
                .filteredOn(s -> s != 200)
                .containsOnly(422);
        assertThat(happened(order)).containsExactly("TAKEN", "CHANGED");
    }

    /** One piece is cut: it stays what it is, the others become what is wanted, on a line of their own. */
    @Test
    void whatIsCutStaysWhenTheRestIsChanged() throws Exception {
        long order = take("Maelle", 3, false);
        confirm(batchOf(order, 1));
        long batch = batchOf(order, 1);
        JsonNode line = see(order).path("lines").path(0);
        String from = line.path("choices").toString();
        String to = from.replace("\"OA2\"", "\"BR2\"");
        assertThat(to).isNotEqualTo(from);
        Answer changed = change(
                order,
                "\"lines\": [{\"line\": %d, \"choices\": {\"from\": %s, \"to\": %s}}]"
                        .formatted(line.path("id").asLong(), from, to));
        assertThat(changed.status()).as(changed.text()).isEqualTo(200);
        JsonNode lines = changed.body().path("lines");
        assertThat(lines).hasSize(2);
        assertThat(lines.path(0).path("quantity").asInt()).isEqualTo(1);
        assertThat(lines.path(0).path("choices").toString()).isEqualTo(from);
        assertThat(lines.path(1).path("quantity").asInt()).isEqualTo(2);
        assertThat(lines.path(1).path("planned").asInt()).isZero();
        assertThat(lines.path(1).path("choices").path("colours").toString()).contains("BR2");
        assertThat(jdbc.sql("select count(*) from strand s join piece p on p.id = s.piece_id where p.batch_id = ?")
                        .param(batch)
                        .query(Long.class)
                        .single())
                .as("the batch has lost its piece, and what was planned for it")
                .isZero();
        Answer fewer = change(
                order,
                "\"lines\": [{\"line\": %d, \"quantity\": {\"from\": 1, \"to\": 0}}]"
                        .formatted(lines.path(0).path("id").asLong()));
        assertThat(fewer.status()).isEqualTo(422);
        Answer removed = change(
                order, "\"removed\": [%d]".formatted(lines.path(0).path("id").asLong()));
        assertThat(removed.text()).contains("line.cut");
        assertThat(change(
                                order,
                                "\"removed\": [%d]"
                                        .formatted(lines.path(1).path("id").asLong()))
                        .body()
                        .path("lines"))
                .hasSize(1);
    }

    @Test
    void aCancelledOrderLeavesItsBatchAndCanComeBack() throws Exception {
        long order = take("Teun", 2, false);
        long batch = batchOf(order, 2);
        tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch));
        assertThat(act(order, "CANCEL")).isEqualTo(204);
        assertThat(state(order)).isEqualTo("CANCELLED");
        assertThat(openLines()).doesNotContain(line(order));
        assertThat(tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                        .status())
                .isEqualTo(404);
        assertThat(act(order, "REVIVE")).isEqualTo(204);
        assertThat(state(order)).isEqualTo("DRAFT");
        assertThat(act(order, "ACCEPT")).isEqualTo(204);
        assertThat(openLines()).contains(line(order));
    }

    @Test
    void theRestOfAnOrderIsCancelledAndWhatIsCutIsKept() throws Exception {
        long order = take("Anouk", 3, false);
        confirm(batchOf(order, 1));
        assertThat(act(order, "CANCEL_REST")).isEqualTo(204);
        JsonNode seen = see(order);
        assertThat(seen.path("state").asString()).isEqualTo("MAKING");
        assertThat(seen.path("lines").path(0).path("quantity").asInt()).isEqualTo(1);
    }

    @Test
    void theSameAgainIsADraftAndASplitMovesPiecesAsTheyAre() throws Exception {
        long order = take("Sanne", 3, false);
        long again =
                tell("/api/orders/" + order + "/again", "{}").body().path("id").asLong();
        assertThat(state(again)).isEqualTo("DRAFT");
        assertThat(see(again).path("lines").path(0).path("choices"))
                .isEqualTo(see(order).path("lines").path(0).path("choices"));
        confirm(batchOf(order, 1));
        String all = "{\"parts\": [{\"line\": %d, \"count\": 3}]}".formatted(line(order));
        assertThat(tell("/api/orders/" + order + "/split", all).status()).isEqualTo(422);
        long split = tell(
                        "/api/orders/" + order + "/split",
                        "{\"parts\": [{\"line\": %d, \"count\": 2}]}".formatted(line(order)))
                .body()
                .path("id")
                .asLong();
        assertThat(see(split).path("lines").path(0).path("quantity").asInt()).isEqualTo(2);
        assertThat(state(split)).isEqualTo("ACCEPTED");
        assertThat(state(order)).isEqualTo("MAKING");
    }

    /** Whatever the house asks by now, what was agreed stays agreed, to the cent, for both parts together. */
    @Test
    void eachPartOfASplitOrderKeepsItsPartOfTheAgreedPrice() throws Exception {
        rules("12.00", "50", "0.07");
        long order = take("Jorun", 7, false);
        BigDecimal agreed = agreed(order);
        rules("48.00", "90", "0.50");
        long split = tell(
                        "/api/orders/" + order + "/split",
                        "{\"parts\": [{\"line\": %d, \"count\": 3}]}".formatted(line(order)))
                .body()
                .path("id")
                .asLong();
        JsonNode part = see(split).path("quote");
        assertThat(part.path("acceptedAt").asString()).isNotEmpty();
        assertThat(part.path("price").path("lines").path(0).path("quantity").asInt())
                .isEqualTo(3);
        assertThat(agreed(split))
                .isEqualByComparingTo(agreed.divide(BigDecimal.valueOf(7)).multiply(BigDecimal.valueOf(3)));
        assertThat(agreed(order).add(agreed(split))).isEqualByComparingTo(agreed);
        BigDecimal tax = see(order).path("quote").path("price").path("tax").decimalValue();
        assertThat(tax.add(part.path("price").path("tax").decimalValue()))
                .isEqualByComparingTo(agreed.subtract(net(order)).subtract(net(split)));
    }

    private BigDecimal agreed(long order) throws Exception {
        return see(order).path("quote").path("price").path("gross").decimalValue();
    }

    private BigDecimal net(long order) throws Exception {
        return see(order).path("quote").path("price").path("net").decimalValue();
    }

    /**
     * Labour 12 an hour and half as much again for margin; the price of each line is pieces times the price of one, which is
     * a multiple of 0.50 and the sum of its parts; 19 % tax are in the total.
     */
    @Test
    void aPriceFollowsTheHouseAndIsFixedByAYes() throws Exception {
        rules("12.00", "50", "0.50");
        long order = take("Lieke", 4, true);
        JsonNode price = see(order).path("price");
        JsonNode line = price.path("lines").path(0);
        BigDecimal each = line.path("each").decimalValue();
        assertThat(each.remainder(new BigDecimal("0.50"))).isEqualByComparingTo(BigDecimal.ZERO);
        BigDecimal parts = BigDecimal.ZERO;
        for (String part : List.of("material", "labour", "margin", "fees", "rounding", "off")) {
            parts = parts.add(line.path(part).decimalValue());
        }
        assertThat(parts).isEqualByComparingTo(each);
        assertThat(line.path("labour").decimalValue()).isPositive();
        assertThat(price.path("gross").decimalValue()).isEqualByComparingTo(each.multiply(BigDecimal.valueOf(4)));
        assertThat(price.path("net").decimalValue().add(price.path("tax").decimalValue()))
                .isEqualByComparingTo(price.path("gross").decimalValue());
        assertThat(act(order, "ACCEPT")).isEqualTo(204);
        rules("30.00", "100", "1");
        JsonNode later = see(order);
        assertThat(later.path("price").path("gross").decimalValue())
                .isGreaterThan(price.path("gross").decimalValue());
        assertThat(later.path("quote").path("price").path("gross").decimalValue())
                .isEqualByComparingTo(price.path("gross").decimalValue());
        Answer wrong = keep("/api/orders/price-rules", priceRules("a lot", "-1", "0"));
        assertThat(wrong.field("labourPerHour").path("code").asString()).isEqualTo("number.unread");
        assertThat(wrong.field("step").path("code").asString()).isEqualTo("number.range");
        rules("0", "0", "0.01");
    }

    @Test
    void listsAreFoundByAnyWordsSortedAndPaged() throws Exception {
        for (int i = 0; i < 5; i++) {
            take("Zephyrine no. " + i, 1, i % 2 == 0);
        }
        List<String> seen = new ArrayList<>();
        String after = "";
        do {
            JsonNode page = ask("/api/orders?query=zephyrine night&sort=CUSTOMER&size=2&after=" + after)
                    .body();
            assertThat(page.path("total").asInt())
                    .as("counted once, on the first page")
                    .isEqualTo(after.isEmpty() ? 5 : 0);
            page.path("rows").forEach(r -> seen.add(r.path("customer").asString()));
            after = page.path("next").asString("");
        } while (!after.isEmpty());
        assertThat(seen)
                .containsExactly(
                        "Zephyrine no. 0", "Zephyrine no. 1", "Zephyrine no. 2", "Zephyrine no. 3", "Zephyrine no. 4");
        assertThat(ask("/api/orders?query=zephyrine&states=DRAFT")
                        .body()
                        .path("total")
                        .asInt())
                .isEqualTo(3);
        assertThat(ask("/api/orders?query=zephyrine&states=DRAFT,ACCEPTED")
                        .body()
                        .path("total")
                        .asInt())
                .isEqualTo(5);
        assertThat(ask("/api/orders?query=zephyrine%").body().path("total").asInt())
                .as("a percent sign is no wildcard")
                .isZero();
        assertThat(ask("/api/orders?query=zephyrine&to=2020-01-01")
                        .body()
                        .path("total")
                        .asInt())
                .isZero();
        assertThat(ask("/api/orders/export.csv?query=zephyrine&sort=CUSTOMER")
                        .text()
                        .lines())
                .hasSize(6);
    }

    /** An address that was kept from a list sorted otherwise, or made up, starts the list anew. */
    @Test
    void aPageThatCannotBeIsTheFirst() throws Exception {
        for (String after : List.of("x~12", "12", "~", "2031-13-40~3", "2031-02-31~3", "~99999999999999999999")) {
            for (String sort : List.of("NEWEST", "DUE")) {
                Answer answer = ask("/api/orders?sort=" + sort + "&after=" + after);
                assertThat(answer.status()).as(sort + " " + after).isEqualTo(200);
            }
        }
    }

    /** What was named to the customer holds for the order as it was: only a reopened one can be split. */
    @Test
    void aQuotedOrderIsNotSplitBehindItsPrice() throws Exception {
        long order = take("Nele", 3, true);
        String parts = "{\"parts\": [{\"line\": %d, \"count\": 1}]}".formatted(line(order));
        assertThat(act(order, "QUOTE")).isEqualTo(204);
        assertThat(tell("/api/orders/" + order + "/split", parts).status()).isEqualTo(409);
        assertThat(act(order, "REOPEN")).isEqualTo(204);
        assertThat(tell("/api/orders/" + order + "/split", parts).status()).isEqualTo(201);
        assertThat(act(order, "ACCEPT")).isEqualTo(204);
        assertThat(see(order)
                        .path("quote")
                        .path("price")
                        .path("lines")
                        .path(0)
                        .path("quantity")
                        .asInt())
                .as("the new price is for what is left")
                .isEqualTo(2);
    }

    @Test
    void manyOrdersAreMovedAtOnceAndEachIsAnsweredFor() throws Exception {
        long draft = take("Bulk One", 1, true);
        long accepted = take("Bulk Two", 1, false);
        JsonNode results = tell(
                        "/api/orders/acts",
                        "{\"orders\": [%d, %d, 999999], \"act\": \"ACCEPT\"}".formatted(draft, accepted))
                .body();
        assertThat(results.path(0).path("problem").asString()).isEmpty();
        assertThat(results.path(1).path("problem").asString()).isEqualTo("order.notNow");
        assertThat(results.path(2).path("problem").asString()).isEqualTo("notFound");
        assertThat(state(draft)).isEqualTo("ACCEPTED");
        assertThat(tell("/api/orders/acts", "{\"orders\": [], \"act\": \"ACCEPT\"}")
                        .body()
                        .path("fields")
                        .path(0)
                        .path("field")
                        .asString())
                .isEqualTo("orders");
    }

    @Test
    void historyIsNotRewritten() throws Exception {
        long order = take("Scribe", 1, true);
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> jdbc.sql("update order_event set who = 'x' where order_id = ?")
                                .param(order)
                                .update())
                .hasMessageContaining("not rewritten");
    }

    private void rules(String labour, String margin, String step) throws Exception {
        assertThat(keep("/api/orders/price-rules", priceRules(labour, margin, step))
                        .status())
                .isEqualTo(200);
    }

    private static String priceRules(String labour, String margin, String step) {
        return """
                {"labourPerHour": "%s", "marginPercent": "%s", "feePercent": "0", "feePerPiece": "0", "step": "%s",
                 "taxPercent": "19", "taxIncluded": true, "breaks": [{"from": 10, "percentOff": "5"}], "validDays": 14}
                """.formatted(labour, margin, step);
    }

    private long take(String customer, int quantity, boolean draft) throws Exception {
        return tell("/api/orders", """
                        {"customer": "%s", "draft": %s, "lines": [{"quantity": %d, "choices": %s}]}
                        """.formatted(customer, draft, quantity, snake("17 cm")))
                .body()
                .path("id")
                .asLong();
    }

    private Answer change(long order, String fields) throws Exception {
        return send(HttpMethod.PATCH, "/api/orders/" + order, "{" + fields + "}");
    }

    private int act(long order, String act) throws Exception {
        return tell("/api/orders/" + order + "/acts/" + act, "{}").status();
    }

    private JsonNode see(long order) throws Exception {
        return ask("/api/orders/" + order).body();
    }

    private String state(long order) throws Exception {
        String shown = see(order).path("state").asString();
        assertThat(jdbc.sql("select state from customer_order where id = ?")
                        .param(order)
                        .query(String.class)
                        .single())
                .as("what is kept for lists")
                .isEqualTo(shown);
        return shown;
    }

    private List<String> acts(long order) throws Exception {
        List<String> acts = new ArrayList<>();
        see(order).path("acts").forEach(a -> acts.add(a.asString()));
        return acts;
    }

    /** In the order it happened. */
    private List<String> happened(long order) throws Exception {
        List<String> what = new ArrayList<>();
        see(order).path("history").forEach(e -> what.add(0, e.path("what").asString()));
        return what;
    }

    private long line(long order) throws Exception {
        return see(order).path("lines").path(0).path("id").asLong();
    }

    private List<Long> openLines() throws Exception {
        List<Long> lines = new ArrayList<>();
        all("/api/plan?", "open")
                .forEach(g ->
                        g.path("lines").forEach(l -> lines.add(l.path("line").asLong())));
        return lines;
    }

    private void confirm(long batch) throws Exception {
        assertThat(confirm(sheet(batch))).isEqualTo(204);
    }

    private Answer takeBackLast(long order, long piece) throws Exception {
        for (JsonNode row : ask("/api/orders/" + order + "/pieces").body().path("rows")) {
            if (row.path("piece").path("piece").asLong() == piece) {
                long event = row.path("piece").path("last").path("event").asLong();
                return tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(event));
            }
        }
        throw new AssertionError("no piece " + piece);
    }
}
