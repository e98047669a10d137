package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.io.StringReader;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;

/** The published plan outside of the house. */
class PlanFilesTest extends PlanningHouse {

    private MockHttpServletResponse stranger(String path, String address) throws Exception {
        return mvc().perform(get(path).with(request -> {
                    request.setRemoteAddr(address);
                    return request;
                }))
                .andReturn()
                .getResponse();
    }

    private static List<VEvent> events(String ics) throws Exception {
        Calendar calendar = new CalendarBuilder().build(new StringReader(ics));
        return calendar.getComponents("VEVENT");
    }

    @Test
    void onlyWhatIsPublishedGoesOut() throws Exception {
        take("Red", 6, "WPL", 9);
        plan();
        assertThat(ask("/api/workplan/plan.json").body().path("batches")).isEmpty();
        assertThat(act("publish", "\"x\": 0").status()).isEqualTo(204);
        JsonNode batches = ask("/api/workplan/plan.json").body().path("batches");
        int pieces = 0;
        for (JsonNode batch : batches) {
            pieces += batch.path("pieces").asInt();
            assertThat(batch.path("cords").path(0).asString()).isEqualTo("WPL");
        }
        assertThat(pieces).isEqualTo(6);
        List<String> lines = ask("/api/workplan/plan.csv").text().lines().toList();
        assertThat(lines.get(0)).contains("day,maker,state,pieces");
        assertThat(lines).hasSize(batches.size() + 1);
        assertThat(lines.get(1)).contains("FREE").contains("WPL");
        List<VEvent> events = events(ask("/api/workplan/plan.ics").text());
        assertThat(events).hasSize(batches.size());
        assertThat(events.get(0).getSummary().getValue()).contains("Snake-knot band");
        assertThat(ask("/api/workplan/plan.ics").text()).doesNotContain("Sefa");
        for (String paper : List.of("A4", "LETTER")) {
            byte[] pdf = mvc().perform(get("/api/workplan/plan.pdf?paper=" + paper)
                            .with(user("Tove").roles("OWNER")))
                    .andReturn()
                    .getResponse()
                    .getContentAsByteArray();
            try (PDDocument read = Loader.loadPDF(pdf)) {
                assertThat(new PDFTextStripper().getText(read))
                        .contains("Who ties what on which day")
                        .contains("Snake-knot band");
            }
        }
    }

    @Test
    void aCalendarFollowsThePlanUntilItsAddressIsWithdrawn() throws Exception {
        take("Red", 6, "WPL", 9);
        plan();
        act("publish", "\"x\": 0");
        long person = block(jdbc.sql("select max(id) from customer_order")
                        .query(Long.class)
                        .single())
                .person();
        JsonNode made = tell("/api/workplan/feeds", "{\"person\": %d}".formatted(person))
                .body();
        String path = made.path("path").asString();
        assertThat(path).matches("/api/feeds/[0-9a-f]{32}/plan\\.ics");
        assertThat(jdbc.sql("select secret_hash from plan_feed where id = ?")
                        .param(made.path("id").asLong())
                        .query(String.class)
                        .single())
                .doesNotContain(path.substring(11, 43));
        MockHttpServletResponse read = stranger(path, "10.1.0.1");
        assertThat(read.getStatus()).isEqualTo(200);
        assertThat(read.getContentType()).startsWith("text/calendar");
        assertThat(read.getHeader("Cache-Control")).contains("no-store");
        assertThat(events(read.getContentAsString())).isNotEmpty();
        assertThat(ask("/api/workplan/feeds").text()).doesNotContain(path.substring(11, 43));
        assertThat(send(
                                "Bram",
                                HttpMethod.DELETE,
                                "/api/workplan/feeds/" + made.path("id").asLong(),
                                "")
                        .status())
                .as("an owner made it")
                .isEqualTo(409);
        assertThat(send(
                                HttpMethod.DELETE,
                                "/api/workplan/feeds/" + made.path("id").asLong(),
                                "")
                        .status())
                .isEqualTo(204);
        assertThat(stranger(path, "10.1.0.1").getStatus()).isEqualTo(404);
        assertThat(send(
                                HttpMethod.DELETE,
                                "/api/workplan/feeds/" + made.path("id").asLong(),
                                "")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whoeverGuessesAddressesIsSlowedDown() throws Exception {
        int refused = 0;
        for (int guess = 0; guess < 12; guess++) {
            String path = "/api/feeds/%032x/plan.ics".formatted(guess);
            refused += stranger(path, "10.1.0.2").getStatus() == 429 ? 1 : 0;
        }
        assertThat(refused).isEqualTo(4);
        assertThat(stranger("/api/feeds/%032x/plan.ics".formatted(99), "10.1.0.3")
                        .getStatus())
                .as("others are not")
                .isEqualTo(404);
    }
}
