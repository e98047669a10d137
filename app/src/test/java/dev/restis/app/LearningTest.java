package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** From what was measured at the bench to what is cut, promised and priced. */
class LearningTest extends AtTheBench {

    private static final int PIECES = 10;

    @Override
    int count() {
        return PIECES;
    }

    @BeforeEach
    void learnedSoFar() {
        folding.now();
    }

    /** Log ten pieces that take 6 % more cord, 3 % more length and a third more time. */
    @Test
    void itReachesEverything() throws Exception {
        JsonNode before = trial();
        long other = tell(
                        "/api/orders",
                        order("Sefa Cards", 1, choices()).replace("\"lines\"", "\"draft\": true, \"lines\""))
                .body()
                .path("id")
                .asLong();
        tell("/api/orders/" + other + "/acts/QUOTE", "");
        tell("/api/orders/" + other + "/acts/ACCEPT", "");
        String priced = price(other);
        long needed = needed(other);
        List<Long> cut = cutLengths();

        // Cards stay as they are when pieces are begun.
        take("Tove", pieces, false);
        for (long piece : pieces) {
            make(piece);
            log(piece, 1.06);
        }
        settled();

        JsonNode after = trial();
        double repeats = body(before).path("repeats").asDouble()
                / body(after).path("repeats").asDouble();
        assertThat(used(after) / used(before) * repeats)
                .as("cord, as many repeats")
                .isBetween(1.03, 1.08);
        assertThat(cut(after))
                .as("the margin shrinks by more than the use grows")
                .isLessThan(cut(before));
        assertThat(pitch(after) / pitch(before)).isCloseTo(1.03, within(0.012));
        assertThat(body(after).path("repeats").asInt())
                .isLessThan(body(before).path("repeats").asInt());
        assertThat(reached(after)).isNotEqualTo(reached(before));
        assertThat(after.path("piece").path("time").path("total").asDouble()
                        / before.path("piece").path("time").path("total").asDouble())
                .isBetween(1.2, 1.36);
        assertThat(after.path("price").path("each").decimalValue())
                .isNotEqualTo(before.path("price").path("each").decimalValue());

        assertThat(needed(other))
                .as("open pieces follow, but for what nobody would notice")
                .isNotEqualTo(needed);
        assertThat((double) needed(other)).isCloseTo(cut(after), withinPercentage(1));
        assertThat(price(other)).as("prices stand").isEqualTo(priced);
        assertThat(cutLengths()).as("cut pieces stay").isEqualTo(cut);
    }

    private List<Long> cutLengths() {
        return jdbc.sql("select cut_um from strand where piece_id in (:p) order by id")
                .param("p", pieces)
                .query(Long.class)
                .list();
    }

    /** What is taken back leaves no trace, and what is worked out again is the same to the last bit. */
    @Test
    void whatIsTakenBackLeavesNoTrace() throws Exception {
        log(begun(pieces.get(0)), 1.05);
        log(begun(pieces.get(1)), 1.04);
        folding.now();
        List<String> two = state();
        long third = begun(pieces.get(2));
        log(third, 0.97);
        folding.now();
        assertThat(state()).isNotEqualTo(two);
        for (JsonNode strand : ask("/api/bench/pieces/" + third + "/left-over").body()) {
            assertThat(tell(
                                    "/api/bench/left-over/"
                                            + strand.path("logged").path("id").asLong() + "/take-back",
                                    "{}")
                            .status())
                    .isEqualTo(204);
        }
        folding.now();
        assertThat(state()).as("as if it had never been").isEqualTo(two);

        jdbc.sql("update learning_state set stale = true").update();
        jdbc.sql(
                        "update observation set formulas = 1, use = replace(use, '\"amount\":', '\"amount\":1') where source <> 'SWATCH'")
                .update();
        jdbc.sql("update learning_book set formulas = 1").update();
        folding.now();
        assertThat(state()).as("by formulas that were corrected, from nothing").isEqualTo(two);
    }

    /** Somebody else's logging waits for nobody, and both are folded once. */
    @Test
    void twoWhoLogAtOnceAreFoldedInOneOrder() throws Exception {
        List<Long> theirs = pieces.subList(0, 6);
        for (long piece : theirs) {
            begun(piece);
        }
        List<Thread> people = theirs.stream()
                .map(piece -> new Thread(() -> {
                    try {
                        log(piece, 1.02);
                        folding.now();
                    } catch (Exception e) {
                        throw new IllegalStateException(e);
                    }
                }))
                .toList();
        people.forEach(Thread::start);
        for (Thread one : people) {
            one.join();
        }
        settled();
        List<Long> numbers = jdbc.sql("select number from observation where piece_id in (:p) order by number")
                .param("p", theirs)
                .query(Long.class)
                .list();
        assertThat(numbers).hasSize(18).doesNotHaveDuplicates().doesNotContainNull();
        List<String> sideBySide = state();
        jdbc.sql("update learning_state set stale = true").update();
        folding.now();
        assertThat(state()).isEqualTo(sideBySide);
    }

    /** Trimmings weighed together are one figure; a strand that ran short says only how much it took at least. */
    @Test
    void aFigureIsWorthWhatItWasGotBy() throws Exception {
        jdbc.sql("update article set density_ug_m = 2500000 where code = 'CAC'").update();
        for (long piece : pieces.subList(0, 3)) {
            make(piece);
        }
        assertThat(tell(
                                "/api/bench/left-over/weighed",
                                "{\"pieces\": %s, \"article\": \"CAC\", \"weight\": \"4 g\", \"units\": \"METRIC\"}"
                                        .formatted(pieces.subList(0, 2)))
                        .status())
                .isEqualTo(204);
        assertThat(leftOver(pieces.get(2), """
                        {"strand": 0, "left": "2 mm", "how": "MEASURED", "units": "METRIC", "believed": true}
                        """).status()).isEqualTo(204);
        folding.now();
        record Kept(int strands, String bound, double value, double reading) {}
        List<Kept> kept = jdbc.sql("""
                        select cardinality(sources) as strands, bound, value, reading from observation
                        where source = 'STRAND' and piece_id in (:p) and standing = 'STANDS' order by id
                        """).param("p", pieces).query(Kept.class).list();
        double cut = jdbc.sql("select sum(cut_um) / 1000.0 from strand where piece_id in (:p)")
                .param("p", pieces.subList(0, 2))
                .query(Double.class)
                .single();
        // 4 g at 2.5 g a metre are 1,600 mm of six strands.
        assertThat(kept.get(0)).isEqualTo(new Kept(6, "EXACT", cut - 1600, 20 + 16));
        assertThat(kept.get(1).bound()).isEqualTo("AT_LEAST");
        assertThat(kept.get(1).strands()).isEqualTo(1);
    }

    /** A piece that is made once more is timed once more; a lain-down one took at most so long. */
    @Test
    void minutesAreThoseOfThePieceAsItWasMade() throws Exception {
        long piece = begun(pieces.get(0));
        JsonNode card = card(piece);
        act("Tove", UUID.randomUUID(), piece, "DONE", 0, ", \"seconds\": 100");
        tell("/api/bench/lay-down", "{\"pieces\": [%d]}".formatted(piece));
        take("Tove", List.of(piece), false);
        int last = card.path("steps").size() - 1;
        for (int step = 1; step < last; step++) {
            act("Tove", UUID.randomUUID(), piece, "DONE", step, ", \"seconds\": 50");
        }
        record Took(String bound, double value) {}
        String sql = """
                select bound, value from observation
                where source = 'STEP' and piece_id = ? and standing = 'STANDS' and about like '%PREPARE%'
                """;
        Took prepared = jdbc.sql(sql).param(piece).query(Took.class).single();
        assertThat(prepared.bound()).isEqualTo("AT_MOST");
        assertThat(prepared.value()).isGreaterThanOrEqualTo(150);
        assertThat(tell("/api/bench/notes", """
                        {"key": "%s", "piece": %d, "step": 0, "seconds": 60}
                        """.formatted(UUID.randomUUID(), piece))
                        .status())
                .isLessThan(300);
        assertThat(jdbc.sql(sql).param(piece).query(Took.class).single().value())
                .isEqualTo(prepared.value() + 60);
        assertThat(act("Tove", UUID.randomUUID(), piece, "BACK_TO", 1, ", \"reason\": \"a gap\"")
                        .status())
                .isEqualTo(200);
        assertThat(jdbc.sql(sql).param(piece).query(Took.class).list()).isEmpty();
    }

    private long begun(long piece) throws Exception {
        assertThat(take("Tove", List.of(piece), false).status()).isLessThan(300);
        return piece;
    }

    /** Makes it, a third slower than was reckoned and 3 % longer. */
    private void make(long piece) throws Exception {
        begun(piece);
        JsonNode steps = card(piece).path("steps");
        for (int step = 0; step < steps.size() - 1; step++) {
            JsonNode is = steps.path(step);
            String length = is.path("measure").isObject()
                    ? ", \"lengthUm\": "
                            + Math.round(
                                    1.03 * is.path("measure").path("soFarUm").asLong())
                    : "";
            String seconds =
                    ", \"seconds\": " + Math.round(4 / 3.0 * is.path("seconds").asLong());
            Answer done = act("Tove", UUID.randomUUID(), piece, "DONE", step, seconds + length);
            assertThat(done.status()).as(done.text()).isEqualTo(200);
        }
    }

    private JsonNode trial() throws Exception {
        Answer tried = tell("/api/orders/trial", "{\"choices\": %s, \"quantity\": 1}".formatted(choices()));
        assertThat(tried.status()).as(tried.text()).isEqualTo(200);
        return tried.body();
    }

    private static double used(JsonNode trial) {
        return sum(trial, "usedUm");
    }

    private static long cut(JsonNode trial) {
        return (long) sum(trial, "cutUm");
    }

    private static double sum(JsonNode trial, String what) {
        double sum = 0;
        for (JsonNode strand : trial.path("piece").path("strands")) {
            sum += strand.path(what).asDouble();
        }
        return sum;
    }

    private static JsonNode body(JsonNode trial) {
        return trial.path("piece").path("fit").path("bodies").path(0);
    }

    private static double pitch(JsonNode trial) {
        return body(trial).path("pitchUm").asDouble();
    }

    private static long reached(JsonNode trial) {
        return trial.path("piece").path("fit").path("reachedUm").asLong();
    }

    private String price(long order) throws Exception {
        JsonNode seen = ask("/api/orders/" + order).body();
        assertThat(seen.path("state").asString()).isEqualTo("ACCEPTED");
        return seen.path("quote").path("gross").toString();
    }

    private long needed(long order) {
        return jdbc.sql("""
                        select sum(n.quantity) from order_line_need n join order_line l on l.id = n.line_id
                            join article a on a.id = n.article_id where l.order_id = ? and a.code = 'CAC'
                        """).param(order).query(Long.class).single();
    }

    /** All that is known, to the last bit. */
    private List<String> state() {
        return jdbc.sql("""
                        select encode(cord, 'hex') || ' ' || encode(pitch, 'hex') || ' ' || encode(time, 'hex')
                        from learning_state s join learning_book b on b.published = s.id
                        """).query(String.class).list();
    }

    /** Waits until nothing is learned or worked out any more. */
    private void settled() throws Exception {
        folding.now();
        for (int tries = 0; tries < 600 && working(); tries++) {
            Thread.sleep(50);
        }
        assertThat(working()).isFalse();
    }

    private boolean working() {
        return jdbc.sql("""
                        select exists (select 1 from job where kind in ('learn', 'work-out-learned') and state in ('WAITING', 'RUNNING'))
                        """).query(Boolean.class).single();
    }
}
