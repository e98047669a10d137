package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** With an order whose pieces are cut; afterwards everything must add up, and it is gone again. */
abstract class AtTheBench extends RestisTest {

    long order;
    List<Long> pieces = List.of();

    @BeforeEach
    void threePiecesThatAreCut() throws Exception {
        if (jdbc.sql("select count(*) from article where code = 'CAC'")
                        .query(Long.class)
                        .single()
                == 0) {
            addCord("CAC", "#3F5E73", "2 mm");
        }
        receive("CAC", "CAC-1", "60 m", "");
        order = tell("/api/orders", order("Sefa Cards", count(), choices()))
                .body()
                .path("id")
                .asLong();
        confirm(sheet(batchOf(order, count())));
        pieces = jdbc.sql("""
                        select p.id from piece p join order_line l on l.id = p.line_id where l.order_id = ? order by p.number
                        """).param(order).query(Long.class).list();
    }

    /** How many there are. */
    int count() {
        return 3;
    }

    /** What the pieces are. */
    String choices() {
        return """
                {"pattern": "snake", "wrist": "16 cm", "colours": ["CAC", "CAC"], "units": "METRIC"}
                """;
    }

    @AfterEach
    void goneAgain() {
        assertThat(new Verification(jdbc).differences()).isEmpty();
        forgetOrders("customer = 'Sefa Cards'");
        forgetWhatWasLearned();
        jdbc.sql("update workshop set checks = false, gates_remind = false").update();
    }

    Answer take(String who, List<Long> which, boolean over) throws Exception {
        return send(who, HttpMethod.POST, "/api/bench/take", "{\"pieces\": %s, \"over\": %s}".formatted(which, over));
    }

    Answer act(String who, UUID key, long piece, String act, int step, String more) throws Exception {
        return send(who, HttpMethod.POST, "/api/bench/acts", """
                {"key": "%s", "piece": %d, "act": "%s", "step": %d%s}
                """.formatted(key, piece, act, step, more));
    }

    Answer act(long piece, String act, int step) throws Exception {
        return act("Tove", UUID.randomUUID(), piece, act, step, "");
    }

    JsonNode card(long piece) throws Exception {
        return ask("/api/bench/pieces/" + piece).body();
    }

    String stage(long piece) throws Exception {
        return card(piece).path("piece").path("stage").asString();
    }

    /** Does all steps before this one. */
    void doTo(long piece, int step) throws Exception {
        for (int at = card(piece).path("next").asInt(); at < step; at++) {
            Answer done = act(piece, "DONE", at);
            assertThat(done.status()).as(done.text()).isEqualTo(200);
        }
    }

    int stepOf(JsonNode card, String what, String name) {
        for (int at = 0; at < card.path("steps").size(); at++) {
            if (card.path("steps").path(at).path(what).asString("").equals(name)) {
                return at;
            }
        }
        throw new AssertionError("no step with " + what + " " + name);
    }

    Answer leftOver(long piece, String body) throws Exception {
        return tell("/api/bench/pieces/" + piece + "/left-over", body);
    }

    /** Every strand took so much of what its card expects. */
    void log(long piece, double factor) throws Exception {
        for (JsonNode strand : ask("/api/bench/pieces/" + piece + "/left-over").body()) {
            long cut = strand.path("cutUm").asLong();
            long left =
                    Math.round(cut - factor * (cut - strand.path("expectedUm").asLong()));
            Answer logged = leftOver(piece, """
                    {"strand": %d, "left": "%s mm", "how": "MEASURED", "units": "METRIC", "believed": true}
                    """.formatted(strand.path("strand").asInt(), left / 1000.0));
            assertThat(logged.status()).as(logged.text()).isEqualTo(204);
        }
    }

    String money(String sql, long piece) {
        return jdbc.sql(sql).param(piece).query(String.class).single();
    }

    JsonNode way(long piece, String mishap, int strand, String way) throws Exception {
        for (JsonNode choice : ask("/api/bench/pieces/" + piece + "/mishaps/" + mishap + "?strand=" + strand)
                .body()) {
            if (choice.path("way").asString().equals(way)) {
                return choice;
            }
        }
        throw new AssertionError("no way " + way);
    }

    /** @param more fields of the request */
    Answer goThatWay(long piece, String mishap, int strand, JsonNode way, long balance, String reason, String... more)
            throws Exception {
        return tell("/api/bench/pieces/" + piece + "/mishaps", """
                {"mishap": "%s", "way": "%s", "strand": %d, "holdingId": %s, "balanceUm": %d, "reason": "%s"%s}
                """.formatted(
                        mishap,
                        way.path("way").asString(),
                        strand,
                        way.hasNonNull("holdingId") ? way.path("holdingId").asString() : "null",
                        balance,
                        reason,
                        String.join("", more)));
    }
}
