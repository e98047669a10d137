package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What whoever runs Restis can find out of it. */
@ExtendWith(OutputCaptureExtension.class)
class OperationTest extends RestisTest {

    private final JsonMapper json = JsonMapper.builder().build();

    @Test
    void whoeverSitsAtTheMachineSeesItsHealthAndItsMeasures() throws Exception {
        JsonNode health = json.readTree(asked(get("/actuator/health")).getContentAsString());
        assertThat(health.path("status").asString()).isEqualTo("UP");
        assertThat(health.path("components").path("db").path("status").asString())
                .isEqualTo("UP");
        ask("/api/orders");
        JsonNode requests = json.readTree(
                asked(get("/actuator/metrics/http.server.requests")).getContentAsString());
        assertThat(requests.path("measurements").path(0).path("value").asDouble())
                .isPositive();
    }

    /** An owner too: what a process does is not the house's business, and a proxy is not the machine. */
    @ParameterizedTest
    @ValueSource(
            strings = {"/actuator", "/actuator/health", "/actuator/metrics", "/actuator/env", "/actuator/heapdump"})
    void nobodyElseDoes(String path) throws Exception {
        MockHttpServletRequestBuilder far = get(path).with(request -> {
            request.setRemoteAddr("192.168.1.30");
            return request;
        });
        assertThat(asked(far).getStatus()).isEqualTo(401);
        assertThat(asked(far.with(user("Tove").roles("OWNER"))).getStatus()).isEqualTo(403);
        assertThat(asked(get(path).header("X-Forwarded-For", "192.168.1.30")).getStatus())
                .isEqualTo(401);
    }

    @Test
    void whatWentWrongIsFoundInTheLogByTheNameThatWasShown(CapturedOutput log) throws Exception {
        jdbc.sql("alter table price_rules rename to price_rules_away").update();
        try {
            MockHttpServletResponse answer =
                    asked(get("/api/orders/price-rules").with(user("Tove").roles("OWNER")));
            assertThat(answer.getStatus()).isEqualTo(500);
            JsonNode problem = json.readTree(answer.getContentAsString());
            String name = problem.path("request").asString();
            assertThat(name).isNotBlank().isEqualTo(answer.getHeader("X-Request-Id"));
            assertThat(log.getAll().lines().filter(line -> line.contains("Unexpected failure")))
                    .anyMatch(line -> line.contains(name));
            assertThat(problem.toString()).doesNotContain("price_rules");
        } finally {
            jdbc.sql("alter table price_rules_away rename to price_rules").update();
        }
    }

    @Test
    void aRequestKeepsTheNameItBringsUnlessThatCannotBeOne() throws Exception {
        assertThat(asked(get("/api/session").header("X-Request-Id", "from-the-proxy-17"))
                        .getHeader("X-Request-Id"))
                .isEqualTo("from-the-proxy-17");
        assertThat(asked(get("/api/session").header("X-Request-Id", "a b\tc; drop"))
                        .getHeader("X-Request-Id"))
                .matches("[0-9a-f]{16}");
    }

    private MockHttpServletResponse asked(MockHttpServletRequestBuilder request) throws Exception {
        return mvc().perform(request).andReturn().getResponse();
    }
}
