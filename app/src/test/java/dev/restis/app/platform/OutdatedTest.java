package dev.restis.app.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import jakarta.servlet.FilterChain;
import org.junit.jupiter.api.Test;
import org.springframework.context.support.StaticMessageSource;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A Restis that a newer one has taken the place of answers nothing but that. */
class OutdatedTest {

    private final FilterChain chain = mock(FilterChain.class);
    private final Outdated outdated;

    OutdatedTest() {
        StaticMessageSource words = new StaticMessageSource();
        words.addMessage("problem.outdated", java.util.Locale.ENGLISH, "A newer one <is> here");
        words.addMessage("problem.outdated.detail", java.util.Locale.ENGLISH, "Nothing is lost.");
        outdated = new Outdated(new FaultWords(words));
    }

    private MockHttpServletResponse ask(String path) throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        outdated.doFilter(new MockHttpServletRequest("GET", path), response, chain);
        return response;
    }

    @Test
    void untilThenEverythingIsServed() throws Exception {
        assertThat(ask("/orders").getStatus()).isEqualTo(200);
        verify(chain).doFilter(any(), any());
    }

    @Test
    void fromThenOnOnlyAPageIsServedThatSaysSo() throws Exception {
        outdated.now();
        MockHttpServletResponse page = ask("/orders");
        assertThat(page.getStatus()).isEqualTo(503);
        assertThat(page.getContentType()).startsWith("text/html");
        assertThat(page.getContentAsString()).contains("<h1>A newer one &lt;is&gt; here</h1>", "Nothing is lost.");
        verify(chain, never()).doFilter(any(), any());
    }

    @Test
    void theApiAnswersAProblem() throws Exception {
        outdated.now();
        MockHttpServletResponse answer = ask("/api/orders");
        JsonNode problem = JsonMapper.builder().build().readTree(answer.getContentAsString());
        assertThat(problem.path("status").asInt()).isEqualTo(503);
        assertThat(problem.path("code").asString()).isEqualTo("outdated");
        assertThat(answer.getHeader("Cache-Control")).isEqualTo("no-store");
    }
}
