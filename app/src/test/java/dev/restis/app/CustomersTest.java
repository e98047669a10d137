package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Who orders: by their letters, merged by hand, measured as last given, and forgotten when they wish. */
class CustomersTest extends RestisTest {

    private static final String PLAIN = """
            {"pattern": "snake", "size": "M", "colours": ["NT2", "NT2"], "units": "METRIC"}
            """;

    @AfterEach
    void goneAgain() {
        forgetOrders("customer like 'Quay %' or customer = ''");
    }

    private long order(String customer, String choices) throws Exception {
        Answer taken = tell("/api/orders", order(customer, 2, choices));
        assertThat(taken.status()).as(taken.text()).isEqualTo(201);
        return taken.body().path("id").asLong();
    }

    private long customerOf(long order) throws Exception {
        return ask("/api/orders/" + order).body().path("customerId").asLong();
    }

    private JsonNode customer(long id) throws Exception {
        return ask("/api/customers/" + id).body();
    }

    private List<String> found(String query) throws Exception {
        return StreamSupport.stream(
                        ask("/api/customers?query=" + query).body().path("rows").spliterator(), false)
                .map(row ->
                        row.path("name").asString() + " " + row.path("orders").asInt())
                .toList();
    }

    private static String details(String name, String email, String wrist, int version) {
        return """
                {"name": "%s", "address": "Quay 3\\nLower Lock", "email": "%s", "language": "nl", "wrist": "%s", "hand": "",
                 "units": "METRIC", "version": %d}
                """.formatted(name, email, wrist, version);
    }

    @Test
    void theSameLettersAreTheSameCustomerAndOthersAreMergedByHand() throws Exception {
        long first = order("Quay house", PLAIN);
        long second = order("Quay house", PLAIN);
        long other = order("quay House", PLAIN);
        forgetOrders("id = " + other);
        long house = customerOf(first);
        long written = customerOf(other);
        assertThat(customerOf(second)).isEqualTo(house);
        assertThat(written).isNotEqualTo(house);
        assertThat(found("quay house")).containsExactlyInAnyOrder("Quay house 2", "quay House 1");

        assertThat(tell("/api/customers/%d/merge".formatted(written), "{\"into\": %d}".formatted(house))
                        .status())
                .isEqualTo(200);
        assertThat(found("quay house")).containsExactly("Quay house 3");
        assertThat(customer(written).path("name").asString()).isEqualTo("Quay house");
        assertThat(all("/api/orders?customer=%d&".formatted(house), "rows"))
                .extracting(o -> o.path("customer").asString())
                .as("each order keeps the name as it was")
                .containsExactlyInAnyOrder("Quay house", "Quay house", "quay House");
        assertThat(tell("/api/customers/%d/merge".formatted(house), "{\"into\": %d}".formatted(house))
                        .field("into"))
                .isNotNull();

        assertThat(tell("/api/customers/%d/separate".formatted(written), "").status())
                .isEqualTo(200);
        assertThat(found("quay house")).containsExactlyInAnyOrder("Quay house 2", "quay House 1");
    }

    @Test
    void whatWasKnownOnlyOfTheOneIsKnownOfTheOther() throws Exception {
        long one = tell("/api/customers", details("Quay one", "one@quay.example", "16 cm", 0))
                .body()
                .path("id")
                .asLong();
        long two = customerOf(order("Quay two", PLAIN));
        tell("/api/customers/%d/merge".formatted(one), "{\"into\": %d}".formatted(two));
        JsonNode both = customer(two);
        assertThat(both.path("email").asString()).isEqualTo("one@quay.example");
        assertThat(both.path("wristUm").asLong()).isEqualTo(160_000);
        assertThat(both.path("otherNames").path(0).path("name").asString()).isEqualTo("Quay one");
        assertThat(found("one@quay.example")).containsExactly("Quay two 1");
        assertThat(customerOf(order("Quay one", PLAIN)))
                .as("who orders under the other name is known")
                .isEqualTo(one);
        assertThat(customer(one).path("orders").asInt()).isEqualTo(2);
    }

    @Test
    void aWristIsTheirsWhenTheOrderGivesOneOnlyAndWhatIsTypedHolds() throws Exception {
        long id = customerOf(order("Quay wrist", PLAIN));
        assertThat(customer(id).has("wristUm"))
                .as("a house size is nobody's wrist")
                .isFalse();
        order("Quay wrist", snake("17 cm"));
        assertThat(customer(id).path("wristUm").asLong()).isEqualTo(170_000);
        assertThat(customer(id).has("handUm")).as("assumed, not measured").isFalse();
        long group = order("Quay wrist", snake("15 cm"));
        assertThat(customer(id).path("wristUm").asLong()).isEqualTo(150_000);
        send(HttpMethod.PATCH, "/api/orders/" + group, """
                {"added": [{"quantity": 1, "choices": %s}]}
                """.formatted(snake("18 cm")));
        assertThat(customer(id).path("wristUm").asLong())
                .as("two wrists in one order are of two people")
                .isEqualTo(170_000);

        assertThat(change(
                                id,
                                details(
                                        "Quay wrist",
                                        "",
                                        "6 1/2 in",
                                        customer(id).path("version").asInt()))
                        .status())
                .isEqualTo(200);
        assertThat(customer(id).path("wristUm").asLong()).isEqualTo(165_100);
    }

    @Test
    void aNameThatIsGivenUpStaysKnownAndTheSecondOfTwoIsTold() throws Exception {
        long id = customerOf(order("Quay Fery", PLAIN));
        int version = customer(id).path("version").asInt();
        assertThat(change(id, details("Quay Ferry", "", "", version)).status()).isEqualTo(200);
        assertThat(change(id, details("Quay Wherry", "", "", version)).status()).isEqualTo(409);
        long again = order("Quay Fery", PLAIN);
        assertThat(customer(customerOf(again)).path("name").asString()).isEqualTo("Quay Ferry");
        assertThat(customer(id).path("orders").asInt()).isEqualTo(2);
        order("Quay dock", PLAIN);
        long called = customer(id).path("id").asLong();
        Answer taken = change(
                called,
                details(
                        "Quay dock",
                        "no address",
                        "9 m",
                        customer(id).path("version").asInt()));
        assertThat(taken.field("name").toString()).contains("merge the two");
        assertThat(taken.field("email").toString()).contains("no address");
        assertThat(taken.field("wrist")).isNotNull();
        assertThat(change(
                                called,
                                details(
                                        "Quay Fery",
                                        "",
                                        "",
                                        customer(id).path("version").asInt()))
                        .status())
                .isEqualTo(200);
        JsonNode before = customer(called);
        assertThat(before.path("name").asString()).isEqualTo("Quay Fery");
        assertThat(before.path("id").asLong())
                .as("called by its older name again")
                .isEqualTo(id);
        assertThat(before.path("otherNames").path(0).path("name").asString()).isEqualTo("Quay Ferry");
        assertThat(before.path("orders").asInt()).isEqualTo(2);
    }

    @Test
    void filesAreReadAndWrittenAllOrNothing() throws Exception {
        long known = customerOf(order("Quay known", PLAIN));
        assertThat(file("name,email,wrist\nQuay known,known@quay.example,\nQuay new,,16.5 cm\n")
                        .body())
                .isEqualTo(JsonMapper.builder().build().readTree("{\"added\": 1, \"changed\": 1}"));
        assertThat(customer(known).path("email").asString()).isEqualTo("known@quay.example");
        String csv = ask("/api/customers/file.csv").text();
        assertThat(csv).contains("Quay known,,known@quay.example,,,").contains("Quay new,,,,165 mm,");
        assertThat(file(csv).body().path("changed").asInt())
                .as("read in again it changes nothing")
                .isZero();
        Answer bad = file("name,email,wrist\nQuay good,,\nQuay bad,nowhere,wide\n");
        assertThat(bad.field("rows[2].email")).isNotNull();
        assertThat(bad.field("rows[2].wrist")).isNotNull();
        assertThat(found("quay good")).isEmpty();
        assertThat(file("who\nQuay\n").field("file")).isNotNull();
    }

    private Answer file(String text) throws Exception {
        return send("/api/customers/file?units=METRIC", text.getBytes(StandardCharsets.UTF_8));
    }

    private Answer change(long id, String details) throws Exception {
        return send(HttpMethod.PUT, "/api/customers/" + id, details);
    }

    @Test
    void whoIsForgottenIsNowhereAndSumsStay() throws Exception {
        long sent = order("Quay shy", snake("16 cm"));
        long id = customerOf(sent);
        change(
                id,
                details(
                        "Quay shy",
                        "shy@quay.example",
                        "16 cm",
                        customer(id).path("version").asInt()));
        send(HttpMethod.PATCH, "/api/orders/" + sent, """
                {"note": {"from": "", "to": "Ring at Quay 3"}}
                """);
        JsonNode everything = JsonMapper.builder()
                .build()
                .readTree(ask("/api/customers/%d/export.json".formatted(id)).text());
        assertThat(everything.path("e-mail").asString()).isEqualTo("shy@quay.example");
        assertThat(everything.path("orders").path(0).path("order note").asString())
                .isEqualTo("Ring at Quay 3");

        assertThat(tell("/api/customers/%d/forget".formatted(id), "").status())
                .as("an open order needs the name")
                .isEqualTo(409);
        String price =
                ask("/api/orders/" + sent).body().path("price").path("gross").toString();
        tell("/api/orders/%d/acts/CANCEL".formatted(sent), "");
        assertThat(tell("/api/customers/%d/forget".formatted(id), "").status()).isEqualTo(200);

        JsonNode order = ask("/api/orders/" + sent).body();
        assertThat(order.path("customer").asString()).isEmpty();
        assertThat(order.path("note").asString()).isEmpty();
        assertThat(order.path("price").path("gross").toString()).isEqualTo(price);
        assertThat(customer(id).path("nameless").asBoolean()).isTrue();
        assertThat(found("shy")).isEmpty();
        assertThat(all("/api/orders?query=shy&", "rows")).isEmpty();
        assertThat(all("/api/orders?customer=%d&".formatted(id), "rows")).hasSize(1);
        assertThat(jdbc.sql("""
                        select count(*) from (
                            select c::text from customer c union all select o::text from customer_order o
                            union all select l::text from order_line l) t (written)
                        where written ~* 'quay shy|shy@quay|Ring at'
                        """).query(Integer.class).single()).isZero();
        assertThat(tell("/api/orders/%d/again".formatted(sent), "").status()).isEqualTo(409);
        assertThat(customerOf(order("Quay shy", PLAIN)))
                .as("whoever is called so later is somebody else")
                .isNotEqualTo(id);
    }

    @Test
    void manyWhoTakeOrdersOfNewNamesAtOnceMakeEachCustomerOnce() throws Exception {
        List<Callable<Integer>> all = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            int turn = i;
            all.add(() -> tell("/api/orders", order("Quay same", 1, PLAIN)).status());
            all.add(() -> {
                List<String> rows = IntStream.range(0, 6)
                        .map(n -> turn % 2 == 0 ? n : 5 - n)
                        .mapToObj(n -> "QS-%d-%d,Quay same %d,1,snake,NT2,NT2,M".formatted(turn, n, n))
                        .toList();
                return upload(
                                "/api/orders/import?mode=ALL",
                                ("reference,customer,quantity,pattern,colour 1,colour 2,size\n"
                                                + String.join("\n", rows))
                                        .getBytes(StandardCharsets.UTF_8))
                        .status();
            });
        }
        CountDownLatch start = new CountDownLatch(1);
        ExecutorService people = Executors.newFixedThreadPool(6);
        try {
            List<Future<Integer>> answers = all.stream()
                    .map(act -> people.submit(() -> {
                        start.await();
                        return act.call();
                    }))
                    .toList();
            start.countDown();
            for (Future<Integer> answer : answers) {
                assertThat(answer.get()).isBetween(200, 202);
            }
        } finally {
            people.shutdownNow();
        }
        assertThat(found("quay same"))
                .containsExactly(
                        "Quay same 6",
                        "Quay same 0 6",
                        "Quay same 1 6",
                        "Quay same 2 6",
                        "Quay same 3 6",
                        "Quay same 4 6",
                        "Quay same 5 6");
    }
}
