package dev.restis.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.awaitility.Awaitility;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody with a browser; signed in at one instance, they are signed in at the other. */
final class Visitor {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();

    HttpResponse<String> ask(Instance at, String path) throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create(at.address() + path))
                        .timeout(Duration.ofMinutes(1))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    JsonNode read(Instance at, String path) throws Exception {
        HttpResponse<String> answer = ask(at, path);
        assertThat(answer.statusCode()).as(path + ": " + answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body());
    }

    HttpResponse<String> tell(Instance at, String path, String body) throws Exception {
        return tell(at, path, "application/json", body);
    }

    int put(Instance at, String path, String body) throws Exception {
        return send(at, path, "application/json", body, "PUT").statusCode();
    }

    HttpResponse<String> tell(Instance at, String path, String type, String body) throws Exception {
        return send(at, path, type, body, "POST");
    }

    private HttpResponse<String> send(Instance at, String path, String type, String body, String method)
            throws Exception {
        String token = cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
        return http.send(
                HttpRequest.newBuilder(URI.create(at.address() + path))
                        .timeout(Duration.ofMinutes(1))
                        .header("Content-Type", type)
                        .header("X-XSRF-TOKEN", token)
                        .method(method, HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    Visitor signedIn(Instance at) throws Exception {
        ask(at, "/api/session");
        HttpResponse<String> answer =
                tell(at, "/api/sign-in", "{\"name\": \"Tove\", \"password\": \"harbour-lantern\"}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        ask(at, "/api/session");
        return this;
    }

    long made(Instance at, String path, String body) throws Exception {
        HttpResponse<String> answer = tell(at, path, body);
        assertThat(answer.statusCode()).as(path + ": " + answer.body()).isBetween(200, 202);
        return JSON.readTree(answer.body()).path("id").asLong();
    }

    long importing(Instance at, String prefix, int rows) throws Exception {
        StringBuilder file = new StringBuilder("reference,customer,quantity,pattern,wrist,colour 1,colour 2\n");
        for (int i = 0; i < rows; i++) {
            file.append(String.format(Locale.ROOT, "%s-%d,Runa,1,snake,16 cm,NT2,OA2%n", prefix, i));
        }
        HttpResponse<String> answer = tell(
                at,
                "/api/orders/import?mode=ALL",
                "multipart/form-data; boundary=part",
                "--part\r\nContent-Disposition: form-data; name=\"file\"; filename=\"o.csv\"\r\n"
                        + "Content-Type: text/csv\r\n\r\n" + file
                        + "\r\n--part\r\nContent-Disposition: form-data; name=\"how\"\r\n"
                        + "Content-Type: application/json\r\n\r\n{\"units\": \"METRIC\"}\r\n--part--\r\n");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(202);
        return JSON.readTree(answer.body()).path("id").asLong();
    }

    JsonNode ended(Instance at, long job, Duration within) {
        JsonNode[] last = new JsonNode[1];
        Awaitility.await().atMost(within).pollInterval(Duration.ofMillis(100)).until(() -> {
            last[0] = read(at, "/api/jobs/" + job);
            return !List.of("WAITING", "RUNNING").contains(last[0].path("state").asString());
        });
        return last[0];
    }
}
