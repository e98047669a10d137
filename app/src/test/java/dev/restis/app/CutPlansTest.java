package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** How cut plans are chosen, and how good they are said to be. */
class CutPlansTest extends RestisTest {

    private static String weights(String leftover, String handling, String ageing) {
        return "{\"leftoverPercent\": %s, \"handling\": \"%s\", \"ageing\": \"%s\"}"
                .formatted(leftover, handling, ageing);
    }

    private JsonNode planIn(String code, int pieces) throws Exception {
        long order = tell("/api/orders", order("Plans " + code, pieces, """
                                {"pattern": "snake", "wrist": "16 cm", "colours": ["%1$s", "%1$s"], "units": "METRIC"}
                                """.formatted(code)))
                .body()
                .path("id")
                .asLong();
        return sheet(batchOf(order, pieces));
    }

    @Test
    void aPlanSaysHowNearItIsToTheBestByTheHousesWeights() throws Exception {
        addCord("CP1", "#4A5577", "2 mm");
        receive("CP1", "P-1", "40 m", "");
        JsonNode plan = planIn("CP1", 3);
        JsonNode quality = plan.path("quality");
        BigDecimal cost = quality.path("cost").decimalValue();
        assertThat(cost).isPositive();
        assertThat(quality.path("bound").decimalValue()).isPositive().isLessThanOrEqualTo(cost);
        assertThat(quality.path("saved").decimalValue()).isNotNegative();
        assertThat(quality.path("gapPercent").decimalValue()).isLessThan(BigDecimal.ONE);
        assertThat(quality.path("complete").asBoolean()).isTrue();
        assertThat(plan.path("spools")).hasSize(1);
    }

    @Test
    void weightsAreKeptAndThoseThatCannotBeAreToldByField() throws Exception {
        JsonNode before = ask("/api/cut/weights").body();
        Answer bad = send(HttpMethod.PUT, "/api/cut/weights", weights("101", "much", "-1"));
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.field("leftoverPercent").toString()).contains("0 to 100");
        assertThat(bad.field("handling").toString()).contains("much");
        assertThat(bad.field("ageing").toString()).contains("-1");
        assertThat(ask("/api/cut/weights").body()).isEqualTo(before);
        assertThat(send(HttpMethod.PUT, "/api/cut/weights", weights("60", "0,05", "0.1"))
                        .status())
                .isEqualTo(204);
        JsonNode after = ask("/api/cut/weights").body();
        assertThat(after.path("leftoverPercent").asInt()).isEqualTo(60);
        assertThat(after.path("handling").decimalValue()).isEqualByComparingTo("0.05");
        send(HttpMethod.PUT, "/api/cut/weights", weights("80", "0.01", "0.02"));
    }
}
