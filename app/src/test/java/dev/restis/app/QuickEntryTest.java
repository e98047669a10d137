package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Orders in a line and for a group, and quotes as they go out to the customer. */
class QuickEntryTest extends RestisTest {

    @Test
    void aLineIsReadBackPricedAndTakenAsItWasRead() throws Exception {
        JsonNode read = read("3 square-bar 16.5 oat ember 2 harbour by 2031-05-01 for Wiebke");
        assertThat(read.path("clear").asBoolean()).isTrue();
        assertThat(read.path("customer").asString()).isEqualTo("Wiebke");
        JsonNode line = read.path("lines").path(0);
        JsonNode trial = line.path("trial");
        assertThat(trial.path("problems")).isEmpty();
        assertThat(trial.path("piece")
                        .path("strands")
                        .path(0)
                        .path("articleCode")
                        .asString())
                .isEqualTo("OA2");
        assertThat(trial.path("price").path("total").decimalValue())
                .isEqualByComparingTo(
                        trial.path("price").path("each").decimalValue().multiply(java.math.BigDecimal.valueOf(3)));
        long order = tell("/api/orders", """
                        {"customer": "%s", "due": "%s", "lines": [{"quantity": %d, "choices": %s}]}
                        """.formatted(
                                read.path("customer").asString(),
                                read.path("due").asString(),
                                line.path("quantity").asInt(),
                                line.path("choices")))
                .body()
                .path("id")
                .asLong();
        JsonNode taken = ask("/api/orders/" + order).body();
        assertThat(taken.path("due").asString()).isEqualTo("2031-05-01");
        assertThat(taken.path("lines").path(0).path("piece").path("strands"))
                .isEqualTo(trial.path("piece").path("strands"));
    }

    @Test
    void whatIsUnclearOrMissingIsSaidAndNotGuessed() throws Exception {
        JsonNode unclear = read("spiral m oat ember");
        assertThat(unclear.path("clear").asBoolean()).isFalse();
        List<String> choices = new ArrayList<>();
        unclear.path("marks")
                .path(0)
                .path("choices")
                .forEach(c -> choices.add(c.path("text").asString()));
        assertThat(choices).contains("spiral-fob");
        JsonNode missing = read("snake m oat");
        assertThat(missing.path("clear").asBoolean()).isTrue();
        assertThat(missing.path("lines").path(0).path("trial").path("problems").toString())
                .contains("colours[1]");
        assertThat(tell("/api/orders/read", "{\"text\": \"%s\", \"units\": \"METRIC\"}".formatted("x".repeat(1001)))
                        .field("text")
                        .path("code")
                        .asString())
                .isEqualTo("tooLong");
    }

    @Test
    void aGroupIsPastedAndEverybodyGetsALineWithTheirName() throws Exception {
        String group = """
                {"matching": true, "people": "Anje\\t16.5\\nBo; M\\nCleo\\n2x L", "choices":
                 {"pattern": "snake", "wrist": "", "colours": ["NT2", "OA2"], "units": "METRIC"}}
                """;
        JsonNode read = tell("/api/orders/group", group).body();
        assertThat(read.path("people")).hasSize(4);
        assertThat(read.path("people")
                        .path(2)
                        .path("problems")
                        .path(0)
                        .path("code")
                        .asString())
                .isEqualTo("wrist.missing");
        assertThat(read.path("pieces").asInt()).isEqualTo(4);
        long order = tell("/api/orders", "{\"customer\": \"Choir\", \"lines\": %s}".formatted(read.path("lines")))
                .body()
                .path("id")
                .asLong();
        JsonNode lines = ask("/api/orders/" + order).body().path("lines");
        List<String> names = new ArrayList<>();
        lines.forEach(l -> names.add(l.path("note").asString() + " "
                + l.path("quantity").asInt() + " " + l.path("matching").asBoolean()));
        assertThat(names).containsExactly("Anje 1 true", "Bo 1 true", " 2 true");
    }

    @Test
    void aQuoteIsAPageAndAMessageThatNameNoCosts() throws Exception {
        long order = tell("/api/orders", """
                        {"customer": "Łucja <b>& Søn</b>", "draft": true, "lines": [{"quantity": 2, "choices": %s}]}
                        """.formatted(snake("17 cm")))
                .body()
                .path("id")
                .asLong();
        assertThat(ask("/api/orders/" + order + "/quote.txt").status()).isEqualTo(404);
        assertThat(tell("/api/orders/" + order + "/acts/QUOTE", "{}").status()).isEqualTo(204);
        String text = ask("/api/orders/" + order + "/quote.txt").text();
        assertThat(text).contains("Łucja <b>& Søn</b>", "2 x Snake-knot band", "Total €", "wrist 17.0 cm (6.69 in)");
        assertThat(text.toLowerCase(java.util.Locale.ROOT)).doesNotContain("material", "labour", "margin");
        byte[] pdf = mvc().perform(
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get(
                                        "/api/orders/" + order + "/quote.pdf")
                                .with(org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.user("Tove")
                                        .roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        try (org.apache.pdfbox.pdmodel.PDDocument document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
            String page = new org.apache.pdfbox.text.PDFTextStripper().getText(document);
            assertThat(page)
                    .contains("Łucja <b>& Søn</b>", "Snake-knot band", "Total €")
                    .doesNotContain("Labour");
        }
    }

    private JsonNode read(String text) throws Exception {
        return tell("/api/orders/read", "{\"text\": \"%s\", \"units\": \"METRIC\"}".formatted(text))
                .body();
    }
}
