package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.app.costs.Verification;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import tools.jackson.databind.JsonNode;

/** What is said of single pieces, by name. */
class PieceActsTest extends RestisTest {

    private static final Set<String> ACTS =
            Set.of("START", "FINISH", "CHECK", "PACK", "SEND", "REDO", "COME_BACK", "GIVE_UP", "TAKE_BACK");

    private long order;

    @BeforeEach
    void threePiecesThatAreCut() throws Exception {
        if (jdbc.sql("select count(*) from article where code = 'PAC'")
                        .query(Long.class)
                        .single()
                == 0) {
            addCord("PAC", "#3F5E73", "2 mm");
        }
        receive("PAC", "PAC-1", "60 m", "");
        order = tell("/api/orders", order("Sefa Acts", 3, """
                        {"pattern": "snake", "wrist": "16 cm", "colours": ["PAC", "PAC"], "units": "METRIC"}
                        """))
                .body()
                .path("id")
                .asLong();
        confirm(sheet(batchOf(order, 3)));
    }

    @AfterEach
    void goneAgain() {
        assertThat(new Verification(jdbc).differences()).isEmpty();
        forgetOrders("customer = 'Sefa Acts'");
        jdbc.sql("update workshop set checks = false, packs = false").update();
    }

    @Test
    void theFurthestAreTakenFirstAndThenTheLowestNumbers() throws Exception {
        assertThat(next("FINISH", 2)).containsExactly(1, 2);
        say("START", 3);
        assertThat(next("FINISH", 2)).containsExactly(3, 1);
        assertThat(next("FINISH", 0)).containsExactly(3, 1, 2);
        say("FINISH", 2);
        assertThat(next("SEND", 0)).containsExactly(2);
        assertThat(next("COME_BACK", 0)).isEmpty();
    }

    @Test
    void aLaterActIsNamedThatRests() throws Exception {
        say("FINISH", 1);
        long made = last(1).path("event").asLong();
        say("SEND", 1);
        Answer refused = takeBack(made);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().path("title").asString()).isEqualTo("Something rests on it");
        assertThat(refused.body().path("detail").asString()).contains("Tove");
        assertThat(takeBack(last(1).path("event").asLong()).status()).isEqualTo(204);
        assertThat(takeBack(made).status()).isEqualTo(204);
        assertThat(takeBack(made).status()).as("it is taken back already").isEqualTo(409);
        assertThat(stage(1)).isEqualTo("CUT");
        Answer cut = takeBack(last(1).path("event").asLong());
        assertThat(cut.status()).isEqualTo(409);
        assertThat(cut.body().path("detail").asString()).contains("at the cutting bench");
    }

    @Test
    void allOfThemOrNone() throws Exception {
        say("FINISH", 1);
        Answer refused = act("FINISH", List.of(piece(2), piece(1)));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(stage(2)).isEqualTo("CUT");
        assertThat(act("CUT", List.of(piece(2))).status()).isEqualTo(422);
        assertThat(act("FINISH", List.of()).status()).isEqualTo(422);
        assertThat(act("FINISH", List.of(999_999_999L)).status()).isEqualTo(404);
    }

    @Test
    void whatIsDoneWithManyOrdersTakesThePiecesThatWereShown() throws Exception {
        say("FINISH", 2);
        long uncut = tell("/api/orders", order("Sefa Acts", 1, """
                        {"pattern": "snake", "wrist": "16 cm", "colours": ["PAC", "PAC"], "units": "METRIC"}
                        """))
                .body()
                .path("id")
                .asLong();
        JsonNode shown = ask("/api/orders/pieces/next?act=FINISH&orders=%d,%d".formatted(uncut, order))
                .body();
        assertThat(shown.path(0).path("pieces").toString()).isEqualTo("[%d,%d]".formatted(piece(1), piece(3)));
        assertThat(shown.path(1).path("pieces")).isEmpty();

        JsonNode results = tell(
                        "/api/orders/acts",
                        "{\"orders\": [%d, %d, 999999], \"act\": \"FINISH\", \"pieces\": [%d]}"
                                .formatted(order, uncut, piece(3)))
                .body();

        assertThat(results.path(0).path("problem").asString()).isEmpty();
        assertThat(results.path(1).path("problem").asString()).isEqualTo("order.notNow");
        assertThat(results.path(2).path("problem").asString()).isEqualTo("order.notNow");
        assertThat(stage(1)).as("was not named").isEqualTo("CUT");
        assertThat(stage(3)).isEqualTo("MADE");
    }

    @Test
    void aHouseThatChecksAndPacksGoesThroughBoth() throws Exception {
        jdbc.sql("update workshop set checks = true, packs = true").update();
        say("FINISH", 1);
        assertThat(act("SEND", List.of(piece(1))).status()).isEqualTo(409);
        assertThat(act("PACK", List.of(piece(1))).status()).isEqualTo(409);
        say("CHECK", 1);
        say("PACK", 1);
        say("SEND", 1);
        say("COME_BACK", 1);
        say("REDO", 1);
        assertThat(stage(1)).isEqualTo("MAKING");
        assertThat(jdbc.sql("""
                        select string_agg(act, ' ' order by id) from piece_event where piece_id = ? and person_id is not null
                        """).param(piece(1)).query(String.class).single())
                .isEqualTo("PLAN CUT FINISH CHECK PACK SEND COME_BACK REDO");
    }

    @Test
    void whatIsGluedIsSentWhenItIsDry() throws Exception {
        jdbc.sql("update piece_estimate set drying_s = 86400 where piece_id = ?")
                .param(piece(1))
                .update();
        say("FINISH", 1);
        assertThat(tell("/api/orders/" + order + "/acts/DISPATCH", "{}")
                        .body()
                        .path("title")
                        .asString())
                .as("the order as a whole is told as well")
                .isEqualTo("Its glue is not dry yet");
        assertThat(row(1).path("piece").path("dryUntil").asString()).isNotEmpty();
        assertThat(next("SEND", 0)).isEmpty();
        Answer refused = act("SEND", List.of(piece(1)));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().path("title").asString()).isEqualTo("Its glue is not dry yet");
        assertThat(refused.body().path("detail").asString()).matches("It is dry at \\w+ \\d+ \\w+, \\d\\d:\\d\\d; .*");
    }

    @Test
    void whatCannotBeSavedIsMadeAnewAndCostsWhatItCost() throws Exception {
        String cost =
                "select sum(used + tails + waste + hardware) from piece_actual a join piece p on p.id = a.piece_id "
                        + "join order_line l on l.id = p.line_id where l.order_id = ?";
        BigDecimal before = jdbc.sql(cost).param(order).query(BigDecimal.class).single();
        say("FINISH", 1);
        Answer unsaid = act("GIVE_UP", List.of(piece(1)), " ");
        assertThat(unsaid.status()).isEqualTo(422);
        assertThat(unsaid.body().path("fields").path(0).path("field").asString())
                .isEqualTo("reason");
        say("GIVE_UP", 1);
        assertThat(last(1).path("reason").asString()).isEqualTo("a core shows");
        JsonNode seen = ask("/api/orders/" + order).body();
        assertThat(seen.path("state").asString()).isEqualTo("CUTTING");
        assertThat(seen.path("lines").path(0).path("quantity").asInt()).isEqualTo(3);
        assertThat(row(4).path("replaces").asInt()).isEqualTo(1);
        assertThat(stage(4)).isEqualTo("OPEN");
        assertThat(jdbc.sql(cost).param(order).query(BigDecimal.class).single()).isEqualByComparingTo(before);

        assertThat(takeBack(last(1).path("event").asLong()).status()).isEqualTo(204);
        assertThat(ask("/api/orders/" + order + "/pieces").body().path("rows")).hasSize(3);
        say("GIVE_UP", 1);
        long batch = batchOf(order, 1);
        assertThat(stage(4)).isEqualTo("PLANNED");
        Answer refused = takeBack(last(1).path("event").asLong());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().path("detail").asString()).startsWith("Piece 4 is in a batch.");
        assertThat(confirm(sheet(batch))).isEqualTo(204);
        say("FINISH", 4);
        say("FINISH", 2);
        say("FINISH", 3);
        assertThat(ask("/api/orders/" + order).body().path("state").asString()).isEqualTo("FINISHED");
    }

    @Test
    void whatIsMadeInItsPlaceMayHaveGoneToAnotherOrder() throws Exception {
        say("GIVE_UP", 1);
        long line = ask("/api/orders/" + order)
                .body()
                .path("lines")
                .path(0)
                .path("id")
                .asLong();
        Answer split =
                tell("/api/orders/" + order + "/split", "{\"parts\": [{\"line\": %d, \"count\": 1}]}".formatted(line));
        assertThat(split.status()).as(split.text()).isEqualTo(201);
        Answer refused = takeBack(last(1).path("event").asLong());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().path("detail").asString())
                .contains(ask("/api/orders/" + split.body().path("id").asLong())
                        .body()
                        .path("reference")
                        .asString());
        assertThat(stage(1)).isEqualTo("GIVEN_UP");
    }

    @Test
    void anOrderOfWhichAPieceIsBegunIsNotOfferedToBeCancelled() throws Exception {
        assertThat(ask("/api/orders/" + order).body().path("acts").toString()).contains("\"CANCEL\"");
        say("START", 2);
        assertThat(ask("/api/orders/" + order).body().path("acts").toString()).doesNotContain("\"CANCEL\"");
    }

    @Test
    void ofTwoWhoSayTheSameOneIsTold() throws Exception {
        long piece = piece(1);
        List<CompletableFuture<Integer>> both = new ArrayList<>();
        for (int n = 0; n < 2; n++) {
            both.add(CompletableFuture.supplyAsync(() -> {
                try {
                    return act("FINISH", List.of(piece)).status();
                } catch (Exception e) {
                    throw new IllegalStateException(e);
                }
            }));
        }
        assertThat(List.of(both.get(0).get(), both.get(1).get())).containsExactlyInAnyOrder(204, 409);
    }

    /** Two people say and take back whatever may be said, of the same pieces. */
    @Test
    void whateverTwoPeopleDoTheStagesFollowTheRows() throws Exception {
        jdbc.sql("update workshop set checks = true, packs = true").update();
        Set<String> done = ConcurrentHashMap.newKeySet();
        List<CompletableFuture<Void>> people = new ArrayList<>();
        for (int person = 0; person < 2; person++) {
            Random random = new Random(40 + person);
            people.add(CompletableFuture.runAsync(() -> {
                // Until everything was done once: chance may leave something for later.
                for (int n = 0; n < 60 || n < 500 && !done.containsAll(ACTS); n++) {
                    actAtRandom(random, done);
                }
            }));
        }
        for (CompletableFuture<Void> one : people) {
            one.get();
        }
        assertThat(done).containsAll(ACTS);
    }

    private void actAtRandom(Random random, Set<String> done) {
        try {
            JsonNode piece = row(1 + random.nextInt(3)).path("piece");
            JsonNode acts = piece.path("acts");
            boolean back = random.nextInt(8) == 0 || acts.isEmpty();
            String act =
                    back ? "TAKE_BACK" : acts.path(random.nextInt(acts.size())).asString();
            Answer answer = back
                    ? takeBack(piece.path("last").path("event").asLong())
                    : act(act, List.of(piece.path("piece").asLong()));
            assertThat(answer.status()).as(answer.text()).isIn(204, 409);
            if (answer.status() == 204) {
                done.add(act);
            }
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void whatHappenedIsNotRewritten() {
        for (String sql : List.of(
                "update piece_event set who = 'Nobody' where act = 'CUT'",
                "delete from piece_event where act = 'CUT'")) {
            assertThatThrownBy(() -> jdbc.sql(sql).update())
                    .isInstanceOf(DataAccessException.class)
                    .hasMessageContaining("not rewritten");
        }
    }

    @Test
    void aStageThatItsRowsDoNotTellIsFound() throws Exception {
        long piece = piece(1);
        jdbc.sql("update piece set stage = 'MADE' where id = ?").param(piece).update();
        try {
            assertThat(new Verification(jdbc).differences())
                    .anySatisfy(d -> assertThat(d.what())
                            .startsWith("piece " + piece + " is kept as MADE")
                            .contains("its rows say CUT"));
        } finally {
            jdbc.sql("update piece set stage = 'CUT' where id = ?").param(piece).update();
        }
    }

    private JsonNode row(int number) throws Exception {
        return ask("/api/orders/" + order + "/pieces").body().path("rows").path(number - 1);
    }

    private long piece(int number) throws Exception {
        return row(number).path("piece").path("piece").asLong();
    }

    private String stage(int number) throws Exception {
        return row(number).path("piece").path("stage").asString();
    }

    private JsonNode last(int number) throws Exception {
        return row(number).path("piece").path("last");
    }

    private List<Integer> next(String act, int count) throws Exception {
        List<Integer> numbers = new ArrayList<>();
        ask("/api/orders/%d/pieces/next?act=%s&count=%d".formatted(order, act, count))
                .body()
                .path("pieces")
                .forEach(p -> numbers.add(p.path("number").asInt()));
        return numbers;
    }

    private void say(String act, int number) throws Exception {
        Answer said = act(act, List.of(piece(number)));
        assertThat(said.status()).as(said.text()).isEqualTo(204);
    }

    private Answer act(String act, List<Long> pieces) throws Exception {
        return act(act, pieces, "a core shows");
    }

    private Answer act(String act, List<Long> pieces, String reason) throws Exception {
        return tell(
                "/api/pieces/acts",
                "{\"act\": \"%s\", \"pieces\": %s, \"reason\": \"%s\"}".formatted(act, pieces, reason));
    }

    private Answer takeBack(long event) throws Exception {
        return tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(event));
    }
}
