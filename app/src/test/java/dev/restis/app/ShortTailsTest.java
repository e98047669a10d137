package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A slider from the tail that its own body leaves, and what happens when that is too short after all. */
class ShortTailsTest extends RestisTest {

    private static final String CHOICES = """
            {"pattern": "square-bar", "wrist": "16 cm", "colours": ["STL", "STL", "STL"], "units": "METRIC"}
            """;

    private long batch;
    private JsonNode list;

    @BeforeEach
    void aPieceWhoseBodyLeavesLongTails() throws Exception {
        if (jdbc.sql("select count(*) from article where code = 'STL'")
                        .query(Long.class)
                        .single()
                == 0) {
            addCord("STL", "#4A6F5A", "2 mm");
        }
        receive("STL", "STL-1", "40 m", "");
        Answer order = tell("/api/orders", order("Ilka Tails", 1, CHOICES));
        assertThat(order.status()).as(order.text()).isEqualTo(201);
        batch = batchOf(order.body().path("id").asLong(), 1);
        jdbc.sql("""
                        update strand set tails_um = '{2000000,2000000}' where role = 'working'
                            and piece_id in (select id from piece where batch_id = ?)
                        """).param(batch).update();
        list = sheet(batch);
    }

    @AfterEach
    void goneAgain() {
        forgetOrders("customer = 'Ilka Tails'");
    }

    @Test
    void theSliderIsCutAfterAllThoughTheListWasDone() throws Exception {
        JsonNode tail = list.path("trimmings").path(0);
        assertThat(tail.path("role").asString()).isEqualTo("slider");
        assertThat(tail.path("pieces")).isEqualTo(tail.path("sourcePieces"));
        assertThat(confirm(list)).isEqualTo(204);
        assertThat(cutPieces()).isEqualTo(1);
        Answer told = tell(tooShort(tail), "");
        assertThat(told.status()).as(told.text()).isEqualTo(204);
        assertThat(cutPieces()).isZero();
        JsonNode again = ask("/api/cut/lists/" + list.path("id").asLong()).body();
        assertThat(again.path("trimmings")).isEmpty();
        assertThat(again.path("confirmedAt").isNull()
                        || again.path("confirmedAt").isMissingNode())
                .isTrue();
        assertThat(toCut()).isEqualTo(1);
        assertThat(confirm(again)).isEqualTo(204);
        assertThat(cutPieces()).isEqualTo(1);
        assertThat(new Verification(jdbc).differences()).isEmpty();
        assertThat(jdbc.sql("select tail_short_by from strand where id = ?")
                        .param(strand(tail))
                        .query(String.class)
                        .single())
                .isEqualTo("Tove");
    }

    /** What is long enough for the slider that waits is kept for it; what is not goes where it went before. */
    @Test
    void aTailIsKeptForTheSliderThatWaits() throws Exception {
        assertThat(confirm(list)).isEqualTo(204);
        long piece = jdbc.sql("select id from piece where batch_id = ?")
                .param(batch)
                .query(Long.class)
                .single();
        assertThat(tell("/api/bench/take", "{\"pieces\": [%d], \"over\": false}".formatted(piece))
                        .status())
                .isEqualTo(204);
        JsonNode source = source(piece);
        assertThat(source.path("slider").path("piece").asLong()).isEqualTo(piece);
        long need = source.path("slider").path("needUm").asLong() / 1000;
        assertThat(leftOver(piece, source, need, "null").status()).isEqualTo(204);
        assertThat(source(piece).path("logged").path("fate").asString()).isEqualTo("SLIDER");
        Answer refused = leftOver(piece, source, need - 1, "\"SLIDER\"");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().path("fields").path(0).path("code").asString())
                .isEqualTo("leftOver.noSlider");
        assertThat(leftOver(piece, source, need - 1, "null").status()).isEqualTo(204);
        assertThat(source(piece).path("logged").path("fate").asString()).isNotEqualTo("SLIDER");
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    private JsonNode source(long piece) throws Exception {
        for (JsonNode row : ask("/api/bench/pieces/" + piece + "/left-over").body()) {
            if (row.has("slider")) {
                return row;
            }
        }
        throw new AssertionError("no strand whose tail serves");
    }

    private Answer leftOver(long piece, JsonNode row, long millimetres, String fate) throws Exception {
        return tell("/api/bench/pieces/" + piece + "/left-over", """
                {"strand": %d, "left": "%d mm", "how": "MEASURED", "fate": %s, "believed": true, "units": "METRIC"}
                """.formatted(
                        row.path("strand").asInt(), millimetres, fate));
    }

    @Test
    void theSecondWhoSaysItIsToldAndSoIsWhoeverMeansAnotherStrand() throws Exception {
        JsonNode tail = list.path("trimmings").path(0);
        assertThat(tell(tooShort(tail), "").status()).isEqualTo(204);
        assertThat(tell(tooShort(tail), "").status()).isEqualTo(409);
        assertThat(tell("/api/cut/lists/" + list.path("id").asLong() + "/trimmings/999999999/too-short", "")
                        .status())
                .isEqualTo(409);
        assertThat(confirm(list)).isEqualTo(204);
    }

    @Test
    void withoutCordOfItsLotNothingChanges() throws Exception {
        JsonNode tail = list.path("trimmings").path(0);
        assertThat(confirm(list)).isEqualTo(204);
        jdbc.sql("""
                        update strand set cut_um = 90000000 where id = ?
                        """).param(strand(tail)).update();
        Answer told = tell(tooShort(tail), "");
        assertThat(told.status()).isEqualTo(409);
        assertThat(told.text()).contains("90", "STL", "lot");
        assertThat(cutPieces()).isEqualTo(1);
    }

    /** Formulas that were corrected in between may ask for more than the tail that is planned. */
    @Test
    void aTailThatIsTooShortByNowStopsTheList() throws Exception {
        JsonNode tail = list.path("trimmings").path(0);
        jdbc.sql("update strand set cut_um = 3000000 where id = ?")
                .param(strand(tail))
                .update();
        Answer told = tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "");
        assertThat(told.status()).isEqualTo(409);
        assertThat(told.text()).contains("slider", "longer now");
        assertThat(cutPieces()).isZero();
    }

    private String tooShort(JsonNode tail) {
        return "/api/cut/lists/" + list.path("id").asLong() + "/trimmings/" + strand(tail) + "/too-short";
    }

    private static long strand(JsonNode tail) {
        return tail.path("strandIds").path(0).asLong();
    }

    private long cutPieces() {
        return jdbc.sql("select count(*) from piece where batch_id = ? and stage >= 'CUT'")
                .param(batch)
                .query(Long.class)
                .single();
    }

    private long toCut() {
        return jdbc.sql("""
                        select count(*) from cut_spool s join cut_step t on t.cut_spool_id = s.id
                        where s.cut_list_id = ? and t.done_at is null and t.kind = 'STRAND'
                        """).param(list.path("id").asLong()).query(Long.class).single();
    }
}
