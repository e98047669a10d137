package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.restis.app.workshop.Rights;
import jakarta.servlet.http.Cookie;
import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.hamcrest.Matchers;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

class AccessTest extends RestisTest {

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Test
    void nothingIsToldToStrangers() throws Exception {
        for (String path : new String[] {"/api/orders", "/api/stock/wall", "/api/plan", "/api/costs", "/api/people"}) {
            mvc().perform(get(path)).andExpect(status().isUnauthorized());
        }
    }

    @Test
    void makersDoNotManagePeople() throws Exception {
        mvc().perform(get("/api/people").with(user("Bram").roles("MAKER"))).andExpect(status().isForbidden());
        mvc().perform(get("/api/orders").with(user("Bram").roles("MAKER"))).andExpect(status().isOk());
    }

    @Test
    void writesNeedTheToken() throws Exception {
        mvc().perform(post("/api/orders")
                        .with(user("Tove").roles("OWNER"))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{}"))
                .andExpect(status().isForbidden());
    }

    @Test
    void theWorkshopIsSetUpOnlyOnce() throws Exception {
        mvc().perform(json(
                        "/api/setup",
                        "{\"workshop\": \"W\", \"zone\": \"UTC\", \"name\": \"N\", \"password\": \"long enough\"}"))
                .andExpect(status().isConflict());
    }

    @Test
    void everyOperationStandsInTheTableOfRightsAndNothingElseDoes() {
        Set<String> table = new TreeSet<>();
        Rights.all()
                .forEach(r -> assertThat(table.add(r.method() + " " + r.path()))
                        .as("%s %s stands once", r.method(), r.path())
                        .isTrue());
        Set<String> there = new TreeSet<>();
        mappings.getHandlerMethods()
                .keySet()
                .forEach(info -> info.getPatternValues()
                        .forEach(path -> info.getMethodsCondition().getMethods().stream()
                                .filter(m -> path.startsWith("/api/"))
                                .forEach(m -> there.add(m + " " + path))));
        assertThat(table).containsAll(there);
        table.remove("GET /api/openapi");
        assertThat(there).containsAll(table);
    }

    /** What the table says, asked for by strangers, a maker and an owner; what is behind each answers as it likes. */
    @Test
    void theTableOfRightsHolds() throws Exception {
        for (Rights.Right right : Rights.all()) {
            String path = right.path().replaceAll("\\{[^}]+}", "999999");
            boolean open = right.who() == Rights.Who.ANYONE || right.who() == Rights.Who.SHOP;
            if (open) {
                continue;
            }
            assertThat(statusOf(right, path, null))
                    .as("%s for strangers", right)
                    .isEqualTo(401);
            if (right.who() == Rights.Who.OWNER) {
                assertThat(statusOf(right, path, "MAKER"))
                        .as("%s for makers", right)
                        .isEqualTo(403);
            } else if (right.method() == HttpMethod.GET) {
                assertThat(statusOf(right, path, "MAKER"))
                        .as("%s for makers", right)
                        .isNotIn(401, 403);
            }
        }
        mvc().perform(json("/api/anything", "{}").with(user("Tove").roles("OWNER")))
                .andExpect(status().isForbidden());
    }

    @Test
    void whoeverSignsInGetsATokenThatNobodyKnewBefore() throws Exception {
        Cookie before = new Cookie("XSRF-TOKEN", "5c1f0d7e-2c7b-4f61-9f0e-0d3c1f6a7b11");
        Cookie after = mvc().perform(post("/api/sign-in")
                        .cookie(before)
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"name\": \"Tove\", \"password\": \"harbour-lantern\"}"))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getCookie("XSRF-TOKEN");
        if (after == null) {
            throw new AssertionError("signing in gives a new one");
        }
        assertThat(after.getValue()).isNotBlank().isNotEqualTo(before.getValue());
    }

    private int statusOf(Rights.Right right, String path, @Nullable String role) throws Exception {
        MockHttpServletRequestBuilder request = MockMvcRequestBuilders.request(right.method(), path)
                .with(csrf())
                .contentType(MediaType.APPLICATION_JSON)
                .content("{}");
        return mvc().perform(role == null ? request : request.with(user("Bram").roles(role)))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    private MockHttpServletRequestBuilder signIn(String name, String password, String address) {
        return json("/api/sign-in", "{\"name\": \"%s\", \"password\": \"%s\"}".formatted(name, password))
                .with(request -> {
                    request.setRemoteAddr(address);
                    return request;
                });
    }

    @Test
    void peopleSignInAndGuessersAreSlowedDownWhereTheyGuess() throws Exception {
        mvc().perform(signIn("bram", "harbour-lantern", "10.0.0.1"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.role").value("MAKER"))
                .andExpect(header().string("Content-Security-Policy", Matchers.containsString("script-src 'self'")));
        for (int i = 0; i < 8; i++) {
            mvc().perform(signIn("Bram", "guess", "10.0.0.2")).andExpect(status().isUnauthorized());
        }
        mvc().perform(signIn("Bram", "harbour-lantern", "10.0.0.2"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.fields[0].code").value("signIn.rest"));
        // Somebody who guesses at a name keeps nobody out who comes from elsewhere.
        mvc().perform(signIn("Bram", "harbour-lantern", "10.0.0.1")).andExpect(status().isOk());
        mvc().perform(signIn("Tove", "harbour-lantern", "10.0.0.2")).andExpect(status().isOk());
    }

    @Test
    void anAddressThatGuessesAtManyNamesIsSlowedDownToo() throws Exception {
        for (int i = 0; i < 40; i++) {
            mvc().perform(signIn("nobody " + i + "x".repeat(3000), "guess", "10.0.0.3"))
                    .andExpect(status().isUnauthorized());
        }
        mvc().perform(signIn("Tove", "harbour-lantern", "10.0.0.3")).andExpect(status().isUnprocessableContent());
        jdbc.sql("update sign_in_guess set since = now() - interval '6 minutes'")
                .update();
        mvc().perform(signIn("Tove", "harbour-lantern", "10.0.0.3")).andExpect(status().isOk());
    }

    /** Sixty guesses in the same moment are judged one after the other. */
    @Test
    void manyAtOnceAreNoWayAround() throws Exception {
        ExecutorService many = Executors.newFixedThreadPool(12);
        try {
            Callable<Integer> guess = () -> mvc().perform(signIn("Tove", "guess", "10.0.0.4"))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            int tried = 0;
            for (Future<Integer> answer : many.invokeAll(Collections.nCopies(60, guess))) {
                tried += answer.get() == 401 ? 1 : 0;
            }
            assertThat(tried).as("passwords that were looked at").isEqualTo(8);
        } finally {
            many.shutdownNow();
        }
    }

    @Test
    void aBodyThatIsTooLargeIsNotRead() throws Exception {
        String large = "{\"name\": \"" + "x".repeat(20_000) + "\", \"password\": \"p\"}";
        mvc().perform(json("/api/sign-in", large)).andExpect(status().isContentTooLarge());
        mvc().perform(json("/api/orders", "{\"customer\": \"" + "x".repeat(3 << 20) + "\"}")
                        .with(user("Tove").roles("OWNER")))
                .andExpect(status().isContentTooLarge());
    }

    private long idOf(String name) {
        return jdbc.sql("select id from person where name = ?")
                .param(name)
                .query(Long.class)
                .single();
    }

    @Test
    void peopleComeChangeAndLeave() throws Exception {
        assertThat(tell("/api/people", "{\"name\": \"Odo\", \"password\": \"first-password\", \"role\": \"MAKER\"}")
                        .status())
                .isEqualTo(201);
        long odo = idOf("Odo");
        mvc().perform(signIn("Odo", "first-password", "10.0.0.5")).andExpect(status().isOk());
        assertThat(send(HttpMethod.PUT, "/api/people/" + odo + "/password", "{\"password\": \"second-password\"}")
                        .status())
                .isEqualTo(204);
        mvc().perform(signIn("Odo", "first-password", "10.0.0.5")).andExpect(status().isUnauthorized());
        MockHttpServletRequestBuilder own = MockMvcRequestBuilders.put("/api/session/password")
                .with(csrf())
                .with(user("Odo").roles("MAKER"))
                .contentType(MediaType.APPLICATION_JSON);
        mvc().perform(own.content("{\"before\": \"wrong\", \"password\": \"third-password\"}"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.fields[0].code").value("password.wrong"));
        mvc().perform(own.content("{\"before\": \"second-password\", \"password\": \"third-password\"}"))
                .andExpect(status().isNoContent());
        mvc().perform(signIn("Odo", "third-password", "10.0.0.5")).andExpect(status().isOk());
        assertThat(tell("/api/people/" + odo + "/end", "").status()).isEqualTo(204);
        mvc().perform(signIn("Odo", "third-password", "10.0.0.5")).andExpect(status().isUnauthorized());
        assertThat(tell("/api/people/" + odo + "/back", "").status()).isEqualTo(204);
        mvc().perform(signIn("Odo", "third-password", "10.0.0.5")).andExpect(status().isOk());
        tell("/api/people/" + odo + "/end", "");
    }

    @Test
    void somebodyMustOwnTheWorkshop() throws Exception {
        long tove = idOf("Tove");
        assertThat(tell("/api/people/" + tove + "/end", "").body().path("code").asString())
                .isEqualTo("people.lastOwner");
        assertThat(send(HttpMethod.PUT, "/api/people/" + tove + "/role", "{\"role\": \"MAKER\"}")
                        .status())
                .isEqualTo(409);
        assertThat(tell("/api/people/999999/end", "").status()).isEqualTo(404);
    }

    private static MockHttpServletRequestBuilder json(String path, String body) {
        return post(path).with(csrf()).contentType(MediaType.APPLICATION_JSON).content(body);
    }
}
