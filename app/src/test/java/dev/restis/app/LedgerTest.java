package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.app.costs.Verification;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What the database itself guards, whoever writes to it. */
class LedgerTest extends RestisTest {

    @Test
    void noRowIsEverChangedOrDeleted() {
        for (String attack : List.of(
                "update ledger set quantity = quantity + 1",
                "delete from ledger where id = (select max(id) from ledger)",
                "truncate ledger")) {
            assertThatThrownBy(() -> jdbc.sql(attack).update()).hasMessageContaining("append-only");
        }
    }

    @Test
    void noBalanceGoesBelowZero() {
        long holding = jdbc.sql("select min(holding_id) from holding_balance where quantity > 0")
                .query(Long.class)
                .single();
        assertThatThrownBy(() -> jdbc.sql("""
                                insert into ledger (at, who, movement, holding_id, quantity, value)
                                select now(), 'x', 'BIN', holding_id, -quantity - 1, -value from holding_balance where holding_id = ?
                                """).param(holding).update()).hasMessageContaining("only");
    }

    /** Random receipts and corrections; after each, the wall says what was put there and the value never drifts. */
    @Test
    void theWallIsTheSumOfTheLedger() throws Exception {
        Random random = new Random(17);
        long article = jdbc.sql("select id from article where code = 'SL15'")
                .query(Long.class)
                .single();
        for (int i = 0; i < 25; i++) {
            String lot = "T-" + i;
            long millimetres = 1000 + random.nextInt(90_000);
            assertThat(tell("/api/stock/receipts", """
                                    {"lines": [{"article": %d, "lot": "%s", "putUps": 3, "each": "%d mm", "price": "%d.01", "units": "METRIC"}]}
                                    """.formatted(article, lot, millimetres, 1 + random.nextInt(30)))
                            .status())
                    .isEqualTo(201);
            JsonNode holding = holdingOf(lot);
            long left = 1 + random.nextInt((int) millimetres - 1);
            assertThat(tell(
                                    "/api/stock/holdings/" + holding.path("id").asLong() + "/adjust",
                                    "{\"quantity\": \"%d mm\", \"units\": \"METRIC\", \"reason\": \"counted\"}"
                                            .formatted(left))
                            .status())
                    .isEqualTo(204);
            assertThat(holdingOf(lot).path("quantity").asLong()).isEqualTo(left * 1000);
        }
        assertThat(ask("/api/costs/books").body().path("balance").asBoolean()).isTrue();
    }

    private JsonNode holdingOf(String lot) throws Exception {
        for (JsonNode holding : ask("/api/stock/wall").body().path("holdings")) {
            if (holding.path("lot").asString().equals(lot)) {
                return holding;
            }
        }
        throw new AssertionError("no holding of lot " + lot);
    }

    private long put(String article, String lot, String each) throws Exception {
        long id = jdbc.sql("select id from article where code = ?")
                .param(article)
                .query(Long.class)
                .single();
        return tell("/api/stock/receipts", """
                        {"lines": [{"article": %d, "lot": "%s", "putUps": 1, "each": "%s", "price": "12.34", "shelf": "Z1",
                          "units": "METRIC"}]}
                        """.formatted(id, lot, each))
                .body()
                .path("holdings")
                .path(0)
                .asLong();
    }

    private int act(long holding, String act, String body) throws Exception {
        return tell("/api/stock/holdings/" + holding + "/" + act, body).status();
    }

    private static String taken(String quantity) {
        return "{\"quantity\": \"%s\", \"units\": \"METRIC\", \"reason\": \"test\"}".formatted(quantity);
    }

    private JsonNode wall(long holding) throws Exception {
        for (JsonNode row : ask("/api/stock/wall").body().path("holdings")) {
            if (row.path("id").asLong() == holding) {
                return row;
            }
        }
        throw new AssertionError("holding " + holding + " is not on the wall");
    }

    private JsonNode lastRow(long holding) throws Exception {
        return ask("/api/stock/ledger?holding=" + holding).body().path(0);
    }

    /** 10 m with a flaw 3 m from the free end: of 4 m split off it lies 3 m in; of 2 m it stays, 1 m in. */
    @Test
    void whatIsSplitOffTakesItsFlawsAndItsShareOfTheValue() throws Exception {
        long spool = put("SL15", "FL-1", "10 m");
        assertThat(act(spool, "flaw", "{\"at\": \"3 m\", \"units\": \"METRIC\", \"there\": true}"))
                .isEqualTo(204);
        assertThat(act(spool, "flaw", "{\"at\": \"3 m\", \"units\": \"METRIC\", \"there\": true}"))
                .isEqualTo(422);
        long part = tell("/api/stock/holdings/" + spool + "/split", taken("2 m"))
                .body()
                .path("id")
                .asLong();
        assertThat(wall(part).path("flawsUm")).isEmpty();
        assertThat(wall(spool).path("flawsUm").path(0).asLong()).isEqualTo(1_000_000);
        assertThat(wall(part).path("value").decimalValue()).isEqualByComparingTo("2.4680");
        assertThat(wall(spool).path("value").decimalValue()).isEqualByComparingTo("9.8720");
        long other = tell("/api/stock/holdings/" + spool + "/split", taken("4 m"))
                .body()
                .path("id")
                .asLong();
        assertThat(wall(other).path("flawsUm").path(0).asLong()).isEqualTo(1_000_000);
        assertThat(wall(spool).path("flawsUm")).isEmpty();
        assertThat(act(spool, "split", taken("4 m"))).isEqualTo(422);
    }

    /** Sealed until somebody opens it or takes of it; a join keeps strands off as a flaw does, and is shown as what it is. */
    @Test
    void aSpoolIsSealedUntilItIsOpenedAndItsJoinsAreNoFlaws() throws Exception {
        long spool = put("SL15", "OP-1", "10 m");
        assertThat(wall(spool).path("openedAt").isMissingNode()).isTrue();
        assertThat(act(spool, "flaw", "{\"at\": \"3 m\", \"units\": \"METRIC\", \"mark\": \"JOIN\", \"there\": true}"))
                .isEqualTo(204);
        assertThat(wall(spool).path("joinsUm").path(0).asLong()).isEqualTo(3_000_000);
        assertThat(wall(spool).path("flawsUm")).isEmpty();
        assertThat(act(spool, "open", "")).isEqualTo(204);
        assertThat(act(spool, "open", "")).isEqualTo(409);
        assertThat(wall(spool).path("openedAt").asString()).isNotEmpty();
        assertThat(ask("/api/stock/holdings/" + spool + "/events").body())
                .extracting(e -> e.path("what").asString())
                .containsExactly("OPENED", "JOINED");
        long part = tell("/api/stock/holdings/" + spool + "/split", taken("4 m"))
                .body()
                .path("id")
                .asLong();
        assertThat(wall(part).path("joinsUm").path(0).asLong()).isEqualTo(3_000_000);
        assertThat(wall(part).path("openedAt").asString())
                .as("a part has no seal")
                .isNotEmpty();
        long second = put("SL15", "OP-2", "10 m");
        assertThat(act(second, "away/SELL", taken("1 m"))).isEqualTo(204);
        assertThat(wall(second).path("openedAt").asString()).isNotEmpty();
    }

    @Test
    void whatIsThrownAwayCanBeTakenBackOnceByARowAgainstIt() throws Exception {
        long spool = put("SL15", "TB-1", "10 m");
        assertThat(act(spool, "flaw", "{\"at\": \"2 m\", \"units\": \"METRIC\", \"there\": true}"))
                .isEqualTo(204);
        assertThat(act(spool, "away/BIN", taken("3 m"))).isEqualTo(204);
        assertThat(act(spool, "away/BIN", taken("8 m"))).isEqualTo(422);
        assertThat(wall(spool).path("flawsUm")).as("it went with the cord").isEmpty();
        JsonNode row = lastRow(spool);
        assertThat(row.path("canBeTakenBack").asBoolean()).isTrue();
        String back = "/api/stock/ledger/" + row.path("id").asLong() + "/back";
        assertThat(tell(back, "").status()).isEqualTo(204);
        assertThat(wall(spool).path("quantity").asLong()).isEqualTo(10_000_000);
        assertThat(wall(spool).path("value").decimalValue()).isEqualByComparingTo("12.34");
        assertThat(wall(spool).path("flawsUm").path(0).asLong())
                .as("it came back with the cord")
                .isEqualTo(2_000_000);
        assertThat(tell(back, "").status()).isEqualTo(409);
        assertThat(tell("/api/stock/ledger/" + lastRow(spool).path("id").asLong() + "/back", "")
                        .status())
                .isEqualTo(409);
    }

    @Test
    void boxesOfOneLotAreMergedAndMoved() throws Exception {
        long first = put("PB6", "BX-1", "20");
        long second = put("PB6", "BX-1", "5");
        long stranger = put("PB6", "BX-2", "5");
        assertThat(act(first, "merge", "{\"into\": " + stranger + "}")).isEqualTo(422);
        assertThat(act(first, "merge", "{\"into\": " + second + "}")).isEqualTo(204);
        assertThat(wall(second).path("quantity").asLong()).isEqualTo(25);
        assertThat(act(first, "merge", "{\"into\": " + second + "}")).isEqualTo(409);
        assertThat(act(second, "move", "{\"shelf\": \"Z2\"}")).isEqualTo(204);
        assertThat(act(second, "move", "{\"shelf\": \"Z2\"}")).isEqualTo(422);
        assertThat(wall(second).path("shelf").asString()).isEqualTo("Z2");
    }

    @Test
    void theLedgerTellsWhatThereWasOnADay() throws Exception {
        long spool = put("SL15", "DAY-1", "10 m");
        String today = java.time.LocalDate.now().toString();
        String yesterday = java.time.LocalDate.now().minusDays(1).toString();
        String balance = "/api/stock/ledger/balance?holding=" + spool + "&until=";
        assertThat(ask(balance + today).body().path("quantity").asLong()).isEqualTo(10_000_000);
        assertThat(ask(balance + yesterday).body().path("quantity").asLong()).isZero();
        assertThat(ask("/api/stock/ledger?holding=" + spool + "&until=" + yesterday)
                        .body())
                .isEmpty();
    }

    /** Whatever is done in whatever order, also what is refused: everything adds up from its single rows. */
    @Test
    void anyMixOfMovementsAddsUp() throws Exception {
        Random random = new Random(23);
        List<Long> holdings = new java.util.ArrayList<>(
                List.of(put("SL15", "MIX", "20 m"), put("PB6", "MIX", "40"), put("PB6", "MIX", "7")));
        int done = 0;
        for (int i = 0; i < 150; i++) {
            long holding = holdings.get(random.nextInt(holdings.size()));
            String quantity = String.valueOf(1 + random.nextInt(9));
            int status = switch (random.nextInt(7)) {
                case 0 -> act(holding, "away/BIN", taken(quantity));
                case 1 -> act(holding, "away/SELL", taken(quantity));
                case 2 -> act(holding, "adjust", taken(quantity));
                case 3 -> act(holding, "merge", "{\"into\": " + holdings.get(random.nextInt(3)) + "}");
                case 4 -> act(holding, "away/SEND_BACK", taken(""));
                case 5 ->
                    tell("/api/stock/ledger/" + lastRow(holding).path("id").asLong() + "/back", "")
                            .status();
                default -> {
                    Answer split = tell("/api/stock/holdings/" + holding + "/split", taken(quantity));
                    if (split.status() == 201) {
                        holdings.add(split.body().path("id").asLong());
                    }
                    yield split.status();
                }
            };
            assertThat(status).isIn(201, 204, 409, 422);
            done += status < 400 ? 1 : 0;
        }
        assertThat(done).isGreaterThan(30);
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    @Test
    void verifyingFindsABalanceThatWasTamperedWith() {
        long holding = jdbc.sql("select min(id) from holding where quantity > 1")
                .query(Long.class)
                .single();
        jdbc.sql("update holding set quantity = quantity - 1 where id = ?")
                .param(holding)
                .update();
        assertThat(new Verification(jdbc).differences())
                .extracting(Verification.Difference::check)
                .contains("balance of each holding", "balance of each lot");
        jdbc.sql("update holding set quantity = quantity + 1 where id = ?")
                .param(holding)
                .update();
    }

    /** 64 people take 1 m each from a spool of 40 m at once: 40 get theirs, 24 are told why not. */
    @Test
    void whoComesTooLateForASpoolIsToldAndItNeverGoesBelowZero() throws Exception {
        long spool = put("SL15", "RUSH", "40 m");
        ExecutorService many = Executors.newFixedThreadPool(64);
        List<Future<Answer>> answers = new java.util.ArrayList<>();
        for (int i = 0; i < 64; i++) {
            answers.add(many.submit(() -> tell("/api/stock/holdings/" + spool + "/away/SELL", taken("1 m"))));
        }
        int got = 0;
        for (Future<Answer> answer : answers) {
            Answer told = answer.get();
            got += told.status() == 204 ? 1 : 0;
            if (told.status() != 204) {
                assertThat(told.text()).containsAnyOf("holding.empty", "There is nothing left of it");
            }
        }
        many.shutdown();
        assertThat(got).isEqualTo(40);
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    /** A page sums up each row by itself, a file goes through all in one go: both say the same. */
    @Test
    void theRunningBalanceOfAFileIsThatOfThePage() throws Exception {
        addCord("LB1", "#123123", "2 mm");
        receive("LB1", "L-1", "10 m", "");
        receive("LB1", "L-2", "20 m", "");
        List<Long> spools = jdbc.sql("""
                        select h.id from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where a.code = 'LB1' order by h.id
                        """).query(Long.class).list();
        for (int n = 1; n <= 6; n++) {
            assertThat(tell("/api/stock/holdings/" + spools.get(n % 2) + "/away/SELL", """
                            {"quantity": "%d cm", "units": "METRIC", "reason": "sold"}
                            """.formatted(10 * n))
                            .status())
                    .isEqualTo(204);
        }
        long article = jdbc.sql("select id from article where code = 'LB1'")
                .query(Long.class)
                .single();
        List<Long> page = new ArrayList<>();
        ask("/api/stock/ledger?article=" + article)
                .body()
                .forEach(row -> page.add(row.path("balance").asLong()));
        // 10 m less 20, 40 and 60 cm; 20 m less 10, 30 and 50 cm; newest first.
        assertThat(page).startsWith(8_800_000L, 19_100_000L, 9_400_000L, 19_600_000L);
        String file = ask("/api/stock/ledger.csv?article=" + article).text();
        for (long balance : page) {
            assertThat(file).contains("," + balance + "\r\n");
        }
    }
}
