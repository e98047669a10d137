package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What an hour of hands earned, from pieces that were really tied and really priced. */
class EarningsTest extends AtTheBench {

    private static final int SECONDS_A_STEP = 40;

    /** Of a pattern that no other test ties: what a pattern earns is asked over a whole day. */
    @Override
    String choices() {
        return """
                {"pattern": "spiral-bar", "wrist": "16 cm", "colours": ["CAC", "CAC"], "units": "METRIC"}
                """;
    }

    private void tie(long piece) throws Exception {
        take("Tove", List.of(piece), false);
        int steps = card(piece).path("steps").size();
        for (int step = 0; step < steps; step++) {
            assertThat(act("Tove", UUID.randomUUID(), piece, "DONE", step, ", \"seconds\": " + SECONDS_A_STEP)
                            .status())
                    .isEqualTo(200);
        }
    }

    private JsonNode earned() throws Exception {
        return StreamSupport.stream(
                        ask("/api/costs/earnings?from=" + LocalDate.now())
                                .body()
                                .path("rows")
                                .spliterator(),
                        false)
                .filter(r -> r.path("pattern").asString().equals("spiral-bar"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void anHourEarnsThePriceLessMaterialOverTheMinutesThatWereLogged() throws Exception {
        tie(pieces.get(0));
        tie(pieces.get(1));
        JsonNode two = earned();
        assertThat(two.path("pieces").asInt()).isEqualTo(2);
        assertThat(two.hasNonNull("perHour")).as("two pieces say nothing").isFalse();

        tie(pieces.get(2));
        JsonNode three = earned();
        int steps = card(pieces.get(0)).path("steps").size();
        BigDecimal material =
                jdbc.sql("""
                        select sum(used + tails + waste + hardware) from piece_actual where piece_id in (:p)
                        """).param("p", pieces).query(BigDecimal.class).single();
        // Whatever the house's prices hold of tax, and its stalls keep of them.
        BigDecimal kept = jdbc.sql("""
                        select sum(3 * (cast(l ->> 'each' as numeric)
                                        / case when cast(q.content ->> 'taxIncluded' as boolean)
                                               then 1 + cast(q.content ->> 'taxPercent' as numeric) / 100 else 1 end
                                        - cast(l ->> 'fees' as numeric)))
                        from quote q, jsonb_array_elements(q.content -> 'lines') l where q.order_id = ?
                        """).param(order).query(BigDecimal.class).single();
        BigDecimal hours = BigDecimal.valueOf(3L * steps * SECONDS_A_STEP)
                .divide(BigDecimal.valueOf(3600), 12, RoundingMode.HALF_EVEN);
        assertThat(three.path("perHour").decimalValue())
                .isEqualByComparingTo(kept.subtract(material).divide(hours, 2, RoundingMode.HALF_EVEN));
        assertThat(three.path("workedSeconds").asLong()).isEqualTo((long) steps * SECONDS_A_STEP);
        assertThat(three.path("least").decimalValue())
                .isLessThanOrEqualTo(three.path("perHour").decimalValue());
        assertThat(three.path("most").decimalValue())
                .isGreaterThanOrEqualTo(three.path("perHour").decimalValue());
        assertThat(three.path("priceWanted").decimalValue()).isPositive();
    }
}
