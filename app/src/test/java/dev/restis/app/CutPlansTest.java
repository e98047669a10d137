package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;

/** How cut plans are chosen, and how good they are said to be. */
class CutPlansTest extends RestisTest {

    private static String weights(String leftover, String handling, String ageing) {
        return "{\"leftoverPercent\": %s, \"handling\": \"%s\", \"ageing\": \"%s\", \"seconds\": 0}"
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
        assertThat(plan.path("opened").asInt()).isEqualTo(1);
        assertThat(plan.path("waitingUnopened").asInt())
                .as("there is nothing but the sealed spool")
                .isEqualTo(3);
    }

    @Test
    void weightsAreKeptAndThoseThatCannotBeAreToldByField() throws Exception {
        JsonNode before = ask("/api/cut/weights").body();
        Answer bad = keep("/api/cut/weights", weights("101", "much", "-1"));
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.field("leftoverPercent").toString()).contains("0 to 100");
        assertThat(bad.field("handling").toString()).contains("much");
        assertThat(bad.field("ageing").toString()).contains("-1");
        assertThat(ask("/api/cut/weights").body()).isEqualTo(before);
        assertThat(keep("/api/cut/weights", weights("60", "0,05", "0.1")).status())
                .isEqualTo(200);
        JsonNode after = ask("/api/cut/weights").body().path("weights");
        assertThat(after.path("leftoverPercent").asInt()).isEqualTo(60);
        assertThat(after.path("handling").decimalValue()).isEqualByComparingTo("0.05");
        keep("/api/cut/weights", weights("80", "0.01", "0.02"));
    }

    @Test
    void theSheetIsPrintedWithEverythingThatIsCut() throws Exception {
        addCord("CP3", "#4A5579", "2 mm");
        receive("CP3", "P-4", "20 m", "");
        JsonNode list = planIn("CP3", 2);
        byte[] pdf = mvc().perform(MockMvcRequestBuilders.get("/api/cut/lists/" + list.path("id") + "/sheet.pdf")
                        .with(SecurityMockMvcRequestPostProcessors.user("Tove").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        JsonNode spool = list.path("spools").path(0);
        JsonNode strand = spool.path("steps").path(0);
        String millimetres = new Length(strand.path("lengthUm").asLong()).toString();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains(spool.path("label").asString(), "CP3 cp3", "lot P-4", millimetres)
                    .contains(strand.path("reference").asString() + " #"
                            + strand.path("pieceId").asLong())
                    .contains("Left over: keep");
        }
        JsonNode json = ask("/api/cut/lists/" + list.path("id") + "/sheet.json").body();
        assertThat(json).isEqualTo(list);
    }
}
