package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
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
                                    {"article": %d, "lot": "%s", "putUps": 3, "each": "%d mm", "price": "%d.01", "units": "METRIC"}
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
        assertThat(ask("/api/costs").body().path("books").path("balance").asBoolean())
                .isTrue();
    }

    private JsonNode holdingOf(String lot) throws Exception {
        for (JsonNode holding : ask("/api/stock/wall").body().path("holdings")) {
            if (holding.path("lot").asString().equals(lot)) {
                return holding;
            }
        }
        throw new AssertionError("no holding of lot " + lot);
    }
}
