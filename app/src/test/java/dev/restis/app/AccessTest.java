package dev.restis.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

class AccessTest extends RestisTest {

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
        mvc().perform(json("/api/setup", "{\"workshop\": \"W\", \"name\": \"N\", \"password\": \"long enough\"}"))
                .andExpect(status().isConflict());
    }

    @Test
    void peopleSignInAndGuessersAreSlowedDown() throws Exception {
        mvc().perform(json("/api/sign-in", "{\"name\": \"bram\", \"password\": \"harbour-lantern\"}"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.role").value("MAKER"))
                .andExpect(header().string("Content-Security-Policy", Matchers.containsString("script-src 'self'")));
        MockHttpServletRequestBuilder wrong = json("/api/sign-in", "{\"name\": \"Bram\", \"password\": \"guess\"}");
        for (int i = 0; i < 8; i++) {
            mvc().perform(wrong).andExpect(status().isUnauthorized());
        }
        mvc().perform(json("/api/sign-in", "{\"name\": \"Bram\", \"password\": \"harbour-lantern\"}"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.fields[0].code").value("signIn.rest"));
    }

    private static MockHttpServletRequestBuilder json(String path, String body) {
        return post(path).with(csrf()).contentType(MediaType.APPLICATION_JSON).content(body);
    }
}
