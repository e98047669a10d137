package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import dev.restis.app.learning.Folding;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The whole application on a real PostgreSQL, filled with the demo workshop, asked through its API; whose, says the class that follows. */
@SpringBootTest(properties = {"restis.demo=true", "restis.demo-bench=false", "restis.demo-plan=false"})
@AutoConfigureMockMvc
@Import(CountedStatements.class)
abstract class AskedTest {

    @Autowired
    private MockMvc mvc;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    Folding folding;

    private final JsonMapper json = JsonMapper.builder().build();

    record Answer(int status, String text, JsonNode body) {
        JsonNode field(String name) {
            for (JsonNode field : body.path("fields")) {
                if (field.path("field").asString().equals(name)) {
                    return field;
                }
            }
            throw new AssertionError("no problem names the field " + name + ": " + text);
        }
    }

    @BeforeEach
    void theDemoIsThere() {
        assertThat(count("article")).isGreaterThan(10);
        // A list that is looked at must not be bettered in the same moment.
        jdbc.sql("update cut_weights set plan_seconds = 0").update();
    }

    /** Long work that a test began and did not wait for would take the machine from those after it. */
    @AfterEach
    void nothingGoesOn() {
        jdbc.sql("update job set wanted = false where wanted and state in ('WAITING', 'RUNNING')")
                .update();
    }

    long count(String table) {
        return jdbc.sql("select count(*) from " + table).query(Long.class).single();
    }

    Answer ask(String path) throws Exception {
        return answer(mvc.perform(get(path).with(user("Tove").roles("OWNER")))
                .andReturn()
                .getResponse());
    }

    /** The rows of a list that comes in pages, all of them. */
    List<JsonNode> all(String path, String rows) throws Exception {
        List<JsonNode> all = new ArrayList<>();
        String after = "";
        int pages = 0;
        do {
            Answer page = ask(path + after);
            assertThat(page.status()).as(page.text()).isEqualTo(200);
            page.body().path(rows).forEach(all::add);
            after = page.body().hasNonNull("next")
                    ? "&after=" + page.body().path("next").asString()
                    : "";
            assertThat(pages++).as("pages of %s", path).isLessThan(200);
        } while (!after.isEmpty());
        return all;
    }

    Answer tell(String path, String body) throws Exception {
        return send(HttpMethod.POST, path, body);
    }

    Answer send(HttpMethod method, String path, String body) throws Exception {
        return send("Tove", method, path, body);
    }

    /** By somebody else of the house, who is a maker unless she is Tove. */
    Answer send(String who, HttpMethod method, String path, String body) throws Exception {
        return answer(mvc.perform(request(method, path)
                        .with(user(who).roles(who.equals("Tove") ? "OWNER" : "MAKER"))
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse());
    }

    /** Keeps a setting of the house as somebody does who saw it a moment ago. */
    Answer keep(String path, String body) throws Exception {
        ObjectNode typed = (ObjectNode) json.readTree(body);
        typed.set("revision", ask(path).body().path("revision"));
        return send(HttpMethod.PUT, path, typed.toString());
    }

    Answer upload(String path, byte[] bytes) throws Exception {
        return upload(path, bytes, "{\"units\": \"METRIC\"}");
    }

    /** What is answered at once, before the work that is asked for is done. */
    Answer send(String path, byte[] bytes) throws Exception {
        return uploaded(path, bytes, "{\"units\": \"METRIC\"}");
    }

    /** {@code how} says how the file is to be read. */
    Answer upload(String path, byte[] bytes, String how) throws Exception {
        return settled(uploaded(path, bytes, how));
    }

    private Answer uploaded(String path, byte[] bytes, String how) throws Exception {
        return answer(mvc.perform(multipart(path)
                        .file(new MockMultipartFile("file", "orders.csv", "text/csv", bytes))
                        .file(new MockMultipartFile(
                                "how", "", "application/json", how.getBytes(StandardCharsets.UTF_8)))
                        .with(user("Tove").roles("OWNER"))
                        .with(csrf()))
                .andReturn()
                .getResponse());
    }

    /** What came of long work that was asked for, as if it had been done at once. */
    private Answer settled(Answer asked) throws Exception {
        if (asked.status() != 202) {
            return asked;
        }
        JsonNode job = job(asked.body().path("id").asLong());
        JsonNode problem = job.path("problem");
        JsonNode came = problem.isObject() ? problem : job.path("result");
        return new Answer(problem.isObject() ? problem.path("status").asInt() : 200, came.toString(), came);
    }

    /** A job once it has ended. */
    JsonNode job(long id) throws Exception {
        long end = System.nanoTime() + 60_000_000_000L;
        JsonNode job = ask("/api/jobs/" + id).body();
        while (List.of("WAITING", "RUNNING").contains(job.path("state").asString())) {
            assertThat(System.nanoTime()).as("job %d ends", id).isLessThan(end);
            LockSupport.parkNanos(20_000_000);
            job = ask("/api/jobs/" + id).body();
        }
        return job;
    }

    MockMvc mvc() {
        return mvc;
    }

    private Answer answer(org.springframework.mock.web.MockHttpServletResponse response) throws Exception {
        String text = response.getContentAsString(StandardCharsets.UTF_8);
        boolean isJson = String.valueOf(response.getContentType()).contains("json");
        return new Answer(response.getStatus(), text, json.readTree(isJson && !text.isEmpty() ? text : "{}"));
    }

    /** An order of one line as the form sends it. */
    static String order(String customer, int quantity, String choices) {
        return """
                {"customer": "%s", "lines": [{"quantity": %d, "choices": %s}]}
                """.formatted(customer, quantity, choices);
    }

    static String snake(String wrist) {
        return """
                {"pattern": "snake", "wrist": "%s", "colours": ["NT2", "OA2"], "units": "METRIC"}
                """.formatted(wrist);
    }

    /** A batch of so many pieces of an order's first line. */
    long batchOf(long order, int count) throws Exception {
        long line = ask("/api/orders/" + order)
                .body()
                .path("lines")
                .path(0)
                .path("id")
                .asLong();
        return tell("/api/plan/batches", "{\"picks\": [{\"line\": %d, \"count\": %d}]}".formatted(line, count))
                .body()
                .path("id")
                .asLong();
    }

    /** A cut list for a batch, as it is shown. */
    JsonNode sheet(long batch) throws Exception {
        long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                .body()
                .path("id")
                .asLong();
        return ask("/api/cut/lists/" + list).body();
    }

    /** Confirms a cut list; answers the status. */
    int confirm(JsonNode sheet) throws Exception {
        return tell("/api/cut/lists/" + sheet.path("id").asLong() + "/confirm", "")
                .status();
    }

    /** What each of them answers who act at the same time, in their order. */
    static <T> List<T> atOnce(List<? extends Callable<T>> acts) throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(acts.size());
        try {
            List<T> answers = new ArrayList<>();
            for (Future<T> answer : people.invokeAll(acts)) {
                answers.add(answer.get());
            }
            return answers;
        } finally {
            people.shutdownNow();
        }
    }

    /** Takes orders out of the way of tests that plan whatever is open; locked in the order of all who act on many. */
    void forgetOrders(String which) {
        jdbc.sql("""
                        with held as (select id from customer_order where %s order by id for update),
                             gone as (update customer_order set stage = 'CANCELLED', state = 'CANCELLED'
                                      where id in (select id from held) returning id),
                             shut as (update order_line set open = 0 where order_id in (select id from gone))
                        delete from article_reserved where order_id in (select id from gone)
                        """.formatted(which)).update();
    }

    /** Other tests know their lengths by heart; what swatches say is theirs. */
    void forgetWhatWasLearned() {
        jdbc.sql("""
                        update observation set standing = 'DROPPED', changed = true
                        where standing = 'STANDS' and source <> 'SWATCH'
                        """).update();
        folding.now();
    }

    void addCord(String code, String colour, String diameter) throws Exception {
        assertThat(tell("/api/stock/articles", """
                        {"code": "%s", "kind": "CORD", "name": "%s", "colour": "%s", "material": "polyester",
                         "diameter": "%s", "keep": "30 cm", "units": "METRIC"}
                        """.formatted(code, code.toLowerCase(Locale.ROOT), colour, diameter))
                        .status())
                .isEqualTo(201);
    }

    void receive(String code, String lot, String each, String measured) throws Exception {
        long article = jdbc.sql("select id from article where code = ?")
                .param(code)
                .query(Long.class)
                .single();
        assertThat(tell("/api/stock/receipts", """
                        {"lines": [{"article": %d, "lot": "%s", "putUps": 1, "each": "%s", "price": "5.00", "measured": "%s",
                         "units": "METRIC"}]}
                        """.formatted(article, lot, each, measured))
                        .status())
                .isEqualTo(201);
    }
}
