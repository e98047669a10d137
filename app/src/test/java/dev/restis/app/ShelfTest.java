package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.math.BigDecimal;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.StreamSupport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

/** Finished pieces without an order: their cost comes with them, changes with work on them, and goes with them. */
class ShelfTest extends AtTheBench {

    /** Whatever became of it, the books are right before others find it. */
    @AfterEach
    void forNobody() throws Exception {
        jdbc.sql("update workshop set packs = false").update();
        send(HttpMethod.PUT, "/api/orders/" + order + "/for-shelf", "{\"shelf\": false}");
    }

    private void say(String act, List<Long> which) throws Exception {
        String reason = act.equals("REDO") ? ", \"reason\": \"loose\"" : "";
        assertThat(tell("/api/pieces/acts", "{\"act\": \"%s\", \"pieces\": %s%s}".formatted(act, which, reason))
                        .status())
                .isEqualTo(204);
    }

    private void forShelf() throws Exception {
        assertThat(send(HttpMethod.PUT, "/api/orders/" + order + "/for-shelf", "{\"shelf\": true}")
                        .status())
                .isEqualTo(204);
    }

    private JsonNode piece(int n) throws Exception {
        return ask("/api/shelf/pieces/" + pieces.get(n)).body();
    }

    private BigDecimal worth() throws Exception {
        return ask("/api/shelf").body().path("worth").path("value").decimalValue();
    }

    private Answer sell(int n, String price) throws Exception {
        return tell(
                "/api/shelf/pieces/" + pieces.get(n) + "/sell",
                "{\"price\": \"%s\", \"how\": \"CASH\"}".formatted(price));
    }

    private List<String> account(int n) {
        return jdbc.sql("select what || ' ' || pieces from shelf_entry where piece_id = ? order by id")
                .param(pieces.get(n))
                .query(String.class)
                .list();
    }

    @Test
    void whatIsMadeForTheShelfComesInWithItsCostAndGoesOutSold() throws Exception {
        BigDecimal before = worth();
        forShelf();
        assertThat(worth()).as("nothing is made yet").isEqualByComparingTo(before);
        say("FINISH", pieces.subList(0, 2));
        BigDecimal cost = piece(0).path("cost").decimalValue();
        assertThat(cost).isPositive();
        assertThat(worth())
                .isEqualByComparingTo(before.add(cost).add(piece(1).path("cost").decimalValue()));
        assertThat(piece(0).path("why").asString()).isEqualTo("MADE");
        assertThat(piece(0).path("price").decimalValue()).isPositive();

        assertThat(sell(0, "12,50").status()).isEqualTo(201);
        assertThat(worth())
                .isEqualByComparingTo(before.add(piece(1).path("cost").decimalValue()));
        assertThat(piece(0).path("sale").path("price").decimalValue()).isEqualByComparingTo("12.50");
        assertThat(sell(0, "12.50").status()).as("it lies there no more").isEqualTo(409);
        assertThat(sell(1, "x").text()).contains("\"field\":\"price\"");

        assertThat(tell("/api/shelf/pieces/" + pieces.get(0) + "/take-back", "").status())
                .isEqualTo(204);
        assertThat(account(0)).containsExactly("MADE 1", "SOLD -1", "MADE 1");
        assertThat(piece(0).hasNonNull("sale")).isFalse();
    }

    @Test
    void anOrderForTheShelfIsDoneWhenAllOfItIsMade() throws Exception {
        forShelf();
        say("FINISH", pieces);
        assertThat(ask("/api/orders/" + order).body().path("state").asString()).isEqualTo("DISPATCHED");
        long here = StreamSupport.stream(
                        ask("/api/finished?query=sefa cards")
                                .body()
                                .path("rows")
                                .spliterator(),
                        false)
                .filter(r -> r.path("order").asLong() == order)
                .count();
        assertThat(here).as("nobody waits for it").isZero();
    }

    @Test
    void workOnItTakesItOffAndWhatIsLearnedOfItsCostChangesItsWorth() throws Exception {
        forShelf();
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        doTo(piece, card(piece).path("steps").size());
        assertThat(account(0)).containsExactly("MADE 1");
        BigDecimal before = worth();
        BigDecimal cost = piece(0).path("cost").decimalValue();
        Answer kept = leftOver(piece, """
                {"strand": 0, "left": "420 mm", "how": "MEASURED", "units": "METRIC", "believed": true}
                """);
        assertThat(kept.status()).as(kept.text()).isEqualTo(204);
        BigDecimal now = piece(0).path("cost").decimalValue();
        assertThat(now)
                .as("what went back on the shelf of cord is not its cost")
                .isLessThan(cost);
        assertThat(worth()).isEqualByComparingTo(before.subtract(cost).add(now));
        assertThat(account(0)).containsExactly("MADE 1", "WORK 0");
        say("REDO", List.of(piece));
        assertThat(account(0)).containsExactly("MADE 1", "WORK 0", "TAKEN -1");
    }

    @Test
    void whatACustomerWantsNoMoreLiesThereUntilTheyDo() throws Exception {
        say("FINISH", pieces.subList(0, 1));
        assertThat(account(0)).isEmpty();
        forShelf();
        assertThat(account(0)).containsExactly("MADE 1");
        assertThat(account(1)).as("what is not made does not").isEmpty();
        assertThat(send(HttpMethod.PUT, "/api/orders/" + order + "/for-shelf", "{\"shelf\": false}")
                        .status())
                .isEqualTo(204);
        assertThat(account(0)).containsExactly("MADE 1", "TAKEN -1");
    }

    private long want(String wrist) throws Exception {
        return tell("/api/orders", order("Sefa Cards", 2, choices().replace("16 cm", wrist)))
                .body()
                .path("id")
                .asLong();
    }

    private JsonNode offers(long of) throws Exception {
        return ask("/api/shelf/offers/" + of).body().path("rows");
    }

    private Answer give(int n, long to, JsonNode offer) throws Exception {
        return tell(
                "/api/shelf/pieces/" + pieces.get(n) + "/give",
                "{\"order\": %d, \"line\": %d}".formatted(to, offer.path("line").asLong()));
    }

    @Test
    void whatSuitsANewOrderIsOfferedFirstAndGoesToIt() throws Exception {
        forShelf();
        say("FINISH", pieces.subList(0, 2));
        long same = want("16 cm");
        assertThat(offers(same)).hasSize(2);
        JsonNode offer = offers(same).path(0);
        assertThat(offer.path("same").asBoolean()).isTrue();
        assertThat(offer.path("longerUm").asLong()).isZero();
        assertThat(give(0, same, offer).status()).isEqualTo(204);
        assertThat(account(0)).containsExactly("MADE 1", "TAKEN -1");
        JsonNode took = ask("/api/orders/" + same).body();
        assertThat(took.path("lines")).hasSize(1);
        assertThat(took.path("lines").path(0).path("quantity").asInt()).isEqualTo(2);
        assertThat(took.path("lines").path(0).path("made").asInt()).isEqualTo(1);
        assertThat(give(0, same, offer).status()).as("it lies there no more").isEqualTo(409);

        long near = want("16.4 cm");
        JsonNode longer = offers(near).path(0);
        assertThat(longer.path("same").asBoolean()).isFalse();
        assertThat(longer.path("longerUm").asLong()).as("it is shorter").isNegative();
        assertThat(give(1, near, longer).status()).isEqualTo(204);
        JsonNode beside = ask("/api/orders/" + near).body().path("lines");
        assertThat(beside).as("as it is, in a line of its own").hasSize(2);
        assertThat(beside.findValuesAsString("quantity")).containsExactly("1", "1");
        try (PDDocument note =
                Loader.loadPDF(mvc().perform(get("/api/finished/" + near + "/delivery-note.pdf?prices=true")
                                .with(user("Tove").roles("OWNER")))
                        .andReturn()
                        .getResponse()
                        .getContentAsByteArray())) {
            assertThat(new PDFTextStripper().getText(note)).contains("\u20ac");
        }
        assertThat(offers(want("21 cm"))).as("what does not fit is not offered").isEmpty();
    }

    @Test
    void aSaleThatIsTakenBackOnItsOrderIsNoSaleAnyMore() throws Exception {
        forShelf();
        say("FINISH", pieces.subList(0, 1));
        assertThat(sell(0, "9").status()).isEqualTo(201);
        assertThat(tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(lastEvent(0)))
                        .status())
                .isEqualTo(204);
        assertThat(piece(0).hasNonNull("sale")).isFalse();
        assertThat(sell(0, "8").status()).as("it is sold again").isEqualTo(201);
        say("COME_BACK", pieces.subList(0, 1));
        assertThat(piece(0).path("there").asBoolean())
                .as("it is the house's again")
                .isTrue();
        assertThat(sell(0, "7").status()).isEqualTo(201);
        assertThat(jdbc.sql("select count(*) from sale where piece_id = ? and withdrawn_at is null")
                        .param(pieces.get(0))
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
    }

    private long lastEvent(int n) {
        return jdbc.sql("select max(id) from piece_event where piece_id = ?")
                .param(pieces.get(n))
                .query(Long.class)
                .single();
    }

    @Test
    void whatDidNotComeBackAfterAllDoesNotStay() throws Exception {
        say("FINISH", pieces);
        say("SEND", pieces);
        say("COME_BACK", pieces.subList(0, 1));
        tell("/api/shelf/pieces/" + pieces.get(0) + "/keep", "");
        assertThat(tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(lastEvent(0)))
                        .status())
                .isEqualTo(204);
        say("COME_BACK", pieces.subList(0, 1));
        assertThat(piece(0).path("there").asBoolean())
                .as("nobody has said that it stays")
                .isFalse();
    }

    @Test
    void twoWhoTakeTheSamePieceForTheirOrdersGetItOnce() throws Exception {
        forShelf();
        say("FINISH", pieces.subList(0, 1));
        List<Long> both = List.of(want("16 cm"), want("16 cm"));
        List<JsonNode> offers =
                List.of(offers(both.get(0)).path(0), offers(both.get(1)).path(0));
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            List<Future<Answer>> asked = two.invokeAll(
                    List.of(() -> give(0, both.get(0), offers.get(0)), () -> give(0, both.get(1), offers.get(1))));
            assertThat(List.of(asked.get(0).get().status(), asked.get(1).get().status()))
                    .containsExactlyInAnyOrder(204, 409);
        } finally {
            two.shutdownNow();
        }
        assertThat(account(0)).containsExactly("MADE 1", "TAKEN -1");
    }

    @Test
    void whatComesBackForGoodBringsItsCostBack() throws Exception {
        say("FINISH", pieces);
        say("SEND", pieces);
        BigDecimal before = worth();
        assertThat(tell("/api/shelf/pieces/" + pieces.get(0) + "/keep", "").status())
                .as("it did not come back")
                .isEqualTo(409);
        say("COME_BACK", pieces.subList(0, 1));
        assertThat(tell("/api/shelf/pieces/" + pieces.get(0) + "/keep", "").status())
                .isEqualTo(204);
        assertThat(piece(0).path("why").asString()).isEqualTo("CAME_BACK");
        assertThat(worth())
                .isEqualByComparingTo(before.add(piece(0).path("cost").decimalValue()));
        assertThat(ask("/api/orders/" + order).body().path("state").asString())
                .as("its order is done without it")
                .isEqualTo("DISPATCHED");
        jdbc.sql("update workshop set packs = true").update();
        assertThat(sell(0, "9").status()).as("it is packed on the way").isEqualTo(201);
        assertThat(account(0)).containsExactly("CAME_BACK 1", "SOLD -1");
    }

    private List<Long> unseen() throws Exception {
        return all("/api/shelf?unseen=true", "rows").stream()
                .map(r -> r.path("piece").asLong())
                .filter(pieces::contains)
                .toList();
    }

    private Answer seen(int n, boolean there) throws Exception {
        return tell("/api/shelf/pieces/" + pieces.get(n) + "/seen", "{\"there\": %b}".formatted(there));
    }

    @Test
    void itIsCountedPieceByPieceAndWhatIsMissingIsGivenUpUntilItIsFound() throws Exception {
        forShelf();
        say("FINISH", pieces);
        assertThat(unseen()).isEqualTo(pieces);
        long before = ask("/api/shelf").body().path("worth").path("seen").asLong();
        assertThat(seen(0, true).status()).isEqualTo(204);
        assertThat(seen(0, true).status()).as("twice is once").isEqualTo(204);
        assertThat(ask("/api/shelf").body().path("worth").path("seen").asLong()).isEqualTo(before + 1);
        assertThat(piece(0).path("seen").path("who").asString()).isEqualTo("Tove");
        assertThat(seen(1, true).status()).isEqualTo(204);
        assertThat(seen(1, false).status()).isEqualTo(204);
        assertThat(unseen()).containsExactly(pieces.get(1), pieces.get(2));
        jdbc.sql("update shelf_seen set at = at - interval '1 day' where piece_id = ?")
                .param(pieces.get(0))
                .update();
        assertThat(unseen()).as("that was yesterday").isEqualTo(pieces);

        BigDecimal worth = worth();
        BigDecimal cost = piece(2).path("cost").decimalValue();
        String missing = "/api/shelf/pieces/" + pieces.get(2) + "/missing";
        assertThat(tell(missing, "{}").text()).contains("\"field\":\"reason\"");
        assertThat(tell(missing, "{\"reason\": \"lent to nobody knows\"}").status())
                .isEqualTo(204);
        assertThat(tell(missing, "{\"reason\": \"again\"}").status()).isEqualTo(409);
        assertThat(seen(2, true).status()).as("by the books it is gone").isEqualTo(409);
        assertThat(worth()).isEqualByComparingTo(worth.subtract(cost));
        assertThat(account(2)).containsExactly("MADE 1", "LOST -1");
        assertThat(jdbc.sql("select count(*) from piece where replaces = ?")
                        .param(pieces.get(2))
                        .query(Long.class)
                        .single())
                .as("nobody waits for another")
                .isZero();

        assertThat(tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(lastEvent(2)))
                        .status())
                .isEqualTo(204);
        assertThat(piece(2).path("there").asBoolean()).as("it was found").isTrue();
        assertThat(worth()).isEqualByComparingTo(worth);
    }

    @Test
    void whatSellsIsSuggestedAndMadeForTheShelf() throws Exception {
        long before = sells().path("sold").asLong();
        long coming = sells().path("coming").asLong();
        say("FINISH", pieces);
        say("SEND", pieces);
        JsonNode row = sells();
        assertThat(row.path("sold").asLong()).isEqualTo(before + 3);
        assertThat(tell(
                                "/api/shelf/orders",
                                "{\"line\": %d, \"count\": 0}"
                                        .formatted(row.path("line").asLong()))
                        .text())
                .contains("\"field\":\"count\"");
        long made = tell(
                        "/api/shelf/orders",
                        "{\"line\": %d, \"count\": 2}"
                                .formatted(row.path("line").asLong()))
                .body()
                .path("id")
                .asLong();
        JsonNode order = ask("/api/orders/" + made).body();
        assertThat(order.path("forShelf").asBoolean()).isTrue();
        assertThat(order.path("lines").path(0).path("quantity").asInt()).isEqualTo(2);
        assertThat(sells().path("coming").asLong()).isEqualTo(coming + 2);
        forgetOrders("id = " + made);
    }

    private JsonNode sells() throws Exception {
        return StreamSupport.stream(
                        ask("/api/shelf/sells-well").body().path("rows").spliterator(), false)
                .filter(r -> r.path("wristUm").asLong() == 160_000
                        && r.path("colours").toString().contains("\"cac\""))
                .findFirst()
                .orElse(MissingNode.getInstance());
    }
}
