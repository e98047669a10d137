package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Orders are found by what things are called now. */
class SearchTest extends RestisTest {

    private final JsonMapper json = JsonMapper.builder().build();

    @Test
    void anOrderIsFoundByTheNewNameOfItsCordAndNotByTheOld() throws Exception {
        addCord("SEA1", "#2F7F86", "2 mm");
        try {
            long order = taken(snake("16 cm").replace("OA2", "SEA1"));
            long other = taken(snake("16 cm"));
            int version = version(order);
            rename("SEA1", "Harbour glass", 0);
            assertThat(found("harbour glass")).containsExactly(order);
            assertThat(version(order))
                    .as("whoever has the order open goes on with it")
                    .isEqualTo(version);
            rename("SEA1", "Quayside moss", 1);
            assertThat(found("quayside")).containsExactly(order);
            assertThat(found("harbour glass")).isEmpty();
            assertThat(found("nt2")).contains(order, other);
        } finally {
            forgetOrders("customer = 'Ilka Search'");
        }
    }

    @Test
    void anOrderIsFoundByTheNewNameOfItsPattern() throws Exception {
        ObjectNode own = (ObjectNode) json.readTree(
                ask("/api/patterns/snake/definition").body().path("json").asString());
        keepPattern(own.put("code", "search-band").put("name", "Rope ladder walk"), 0);
        try {
            long order = taken(snake("16 cm").replace("\"snake\"", "\"search-band\""));
            assertThat(found("ladder walk")).containsExactly(order);
            keepPattern(own.put("name", "Mooring line"), 1);
            assertThat(found("mooring")).containsExactly(order);
            assertThat(found("ladder walk")).isEmpty();
        } finally {
            forgetOrders("customer = 'Ilka Search'");
        }
    }

    private void keepPattern(ObjectNode pattern, int before) throws Exception {
        Answer kept = tell(
                "/api/patterns",
                json.createObjectNode()
                        .put("json", pattern.toString())
                        .put("before", before)
                        .toString());
        assertThat(kept.status()).as(kept.text()).isLessThan(300);
    }

    private long taken(String choices) throws Exception {
        Answer order = tell("/api/orders", order("Ilka Search", 1, choices));
        assertThat(order.status()).as(order.text()).isEqualTo(201);
        return order.body().path("id").asLong();
    }

    private int version(long order) throws Exception {
        return ask("/api/orders/" + order).body().path("version").asInt();
    }

    private void rename(String code, String name, int version) throws Exception {
        Answer answer = send(HttpMethod.PUT, "/api/stock/articles?version=" + version, """
                {"code": "%s", "kind": "CORD", "name": "%s", "colour": "#2F7F86", "material": "polyester",
                 "diameter": "2 mm", "keep": "30 cm", "units": "METRIC"}
                """.formatted(code, name));
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    /** Once all renaming is done, the orders that are found. */
    private List<Long> found(String words) throws Exception {
        for (long id : jdbc.sql("select id from job where kind = 'search-text'")
                .query(Long.class)
                .list()) {
            assertThat(job(id).path("state").asString()).isIn("DONE", "STOPPED");
        }
        List<Long> found = new ArrayList<>();
        all("/api/orders?query=" + words, "rows")
                .forEach(row -> found.add(row.path("id").asLong()));
        return found;
    }
}
