package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Shops that deliver orders by themselves, and the tray of what cannot be taken. */
class ShopTest extends RestisTest {

    private static final String KEY = "harbour-kiosk-key";
    private static final String SHOP = "Harbour kiosk";

    @AfterEach
    void nothingOpenIsLeft() throws Exception {
        for (long id : jdbc.sql("select id from customer_order where source = ? and stage = 'ACCEPTED'")
                .param(SHOP)
                .query(Long.class)
                .list()) {
            tell("/api/orders/" + id + "/acts/CANCEL", "{}");
        }
    }

    private static String body(String reference, int quantity) {
        return """
                {"reference": "%s", "customer": "Runa", "quantity": %d, "pattern": "snake", "size": "M",
                 "colours": ["NT2", "OA2"]}""".formatted(reference, quantity);
    }

    private JsonNode deliver(int status, String body, String sent) throws Exception {
        return deliver(status, body.getBytes(StandardCharsets.UTF_8), sent);
    }

    private JsonNode deliver(int status, byte[] body, String sent) throws Exception {
        var answer = mvc().perform(post("/api/feed")
                        .param("sent", "2026-03-01T" + sent + ":00Z")
                        .header("Authorization", "Bearer " + KEY)
                        .content(body))
                .andReturn()
                .getResponse();
        String text = answer.getContentAsString(StandardCharsets.UTF_8);
        assertThat(answer.getStatus()).as(text).isEqualTo(status);
        return JsonMapper.builder().build().readTree(text);
    }

    private List<String> states(String reference) {
        return jdbc.sql("select state from delivery where ? = any (order_references) order by id")
                .param(reference)
                .query(String.class)
                .list();
    }

    private List<Integer> pieces(String reference) {
        return jdbc.sql("select pieces from customer_order where source = ? and reference = ?")
                .params(SHOP, reference)
                .query(Integer.class)
                .list();
    }

    private long waiting(String reference) {
        return jdbc.sql("select id from delivery where ? = any (order_references) and state = 'WAITING'")
                .param(reference)
                .query(Long.class)
                .single();
    }

    @Test
    void aGoodDeliveryIsAnOrderAndTheSameAgainIsNotAnother() throws Exception {
        assertThat(deliver(201, body("HK-1", 2), "09:00").path("fresh").asInt()).isEqualTo(1);
        assertThat(deliver(200, body("HK-1", 2), "09:00").path("state").asString())
                .isEqualTo("REPEATED");
        assertThat(pieces("HK-1")).containsExactly(2);
        assertThat(jdbc.sql(
                                "select who from order_event e join customer_order o on o.id = e.order_id where o.reference = 'HK-1'")
                        .query(String.class)
                        .list())
                .containsOnly(SHOP);
    }

    @Test
    void aNewerOneWaitsToBeAcceptedAndAnOlderOneThatArrivesLaterDoesNothing() throws Exception {
        deliver(201, body("HK-2", 3), "10:05");
        assertThat(deliver(200, body("HK-2", 2), "10:00").path("state").asString())
                .isEqualTo("OUTDATED");
        JsonNode changed = deliver(202, body("HK-2", 4), "10:10");
        assertThat(changed.path("reasons")
                        .path(0)
                        .path("problem")
                        .path("message")
                        .asString())
                .isEqualTo("The order says 3, the delivery says 4.");
        assertThat(pieces("HK-2")).containsExactly(3);

        long id = waiting("HK-2");
        String accept = "{\"units\": \"METRIC\", \"accepted\": [1]}";
        assertThat(tell("/api/deliveries/" + id + "/preview", "{\"units\": \"METRIC\"}")
                        .body()
                        .path("different")
                        .asInt())
                .isEqualTo(1);
        assertThat(tell("/api/deliveries/" + id + "/take?mode=ALL", accept).status())
                .isEqualTo(200);
        assertThat(pieces("HK-2")).containsExactly(4);
        assertThat(states("HK-2")).containsExactly("TAKEN", "OUTDATED", "TAKEN");
        assertThat(tell("/api/deliveries/" + id + "/take?mode=ALL", accept).status())
                .isEqualTo(409);
    }

    @Test
    void aBrokenOneWaitsOnceWithItsReasonAndIsMendedThere() throws Exception {
        String broken = body("HK-3", 0);
        JsonNode reason = deliver(202, broken, "11:00").path("reasons").path(0);
        assertThat(reason.path("reference").asString()).isEqualTo("HK-3");
        assertThat(reason.path("problem").path("field").asString()).isEqualTo("quantity");
        deliver(202, broken, "11:01");
        assertThat(states("HK-3")).containsExactly("WAITING");
        assertThat(pieces("HK-3")).isEmpty();

        long id = waiting("HK-3");
        String mended = "{\"units\": \"METRIC\", \"fixes\": {\"1\": {\"quantity\": \"2\"}}}";
        assertThat(tell("/api/deliveries/" + id + "/take?mode=ALL", mended).status())
                .isEqualTo(200);
        assertThat(pieces("HK-3")).containsExactly(2);
        assertThat(states("HK-3")).containsExactly("TAKEN");
        assertThat(jdbc.sql("select body is null from delivery where id = ?")
                        .param(id)
                        .query(Boolean.class)
                        .single())
                .isTrue();
    }

    @Test
    void theGoodRowsOfADeliveryCanBeTakenAndTheRestGoesOnWaiting() throws Exception {
        String two = "[" + body("HK-4", 1) + "," + body("HK-5", 0) + "]";
        deliver(202, two, "12:00");
        assertThat(pieces("HK-4")).isEmpty();
        long id = waiting("HK-5");
        tell("/api/deliveries/" + id + "/take?mode=GOOD_ROWS", "{\"units\": \"METRIC\"}");
        assertThat(pieces("HK-4")).containsExactly(1);
        JsonNode left = ask("/api/deliveries/" + id).body();
        assertThat(left.path("state").asString()).isEqualTo("WAITING");
        assertThat(left.path("reasons")).hasSize(1);

        assertThat(tell("/api/deliveries/" + id + "/aside", "{\"aside\": true}").status())
                .isEqualTo(204);
        assertThat(ask("/api/deliveries/" + id).body().path("settledBy").asString())
                .isEqualTo("Tove");
        deliver(202, two, "12:01");
        assertThat(states("HK-5")).containsExactly("SET_ASIDE");
        assertThat(tell("/api/deliveries/" + id + "/aside", "{\"aside\": false}")
                        .status())
                .isEqualTo(204);
        assertThat(ask("/api/deliveries?waiting=true").text()).contains("HK-5");
    }

    @Test
    void aWaitingOneSaysWhenANewerOneWasTaken() throws Exception {
        deliver(202, body("HK-6", 0), "13:00");
        deliver(201, body("HK-6", 5), "13:05");
        assertThat(ask("/api/deliveries/" + waiting("HK-6"))
                        .body()
                        .path("superseded")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void withoutItsKeyNobodyDeliversAndAShopThatIsShutOutCannotEither() throws Exception {
        assertThat(mvc().perform(post("/api/feed").content(body("HK-7", 1)))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(401);
        Answer opened = tell("/api/shop-feeds", "{\"source\": \"Ferry shop\", \"units\": \"METRIC\"}");
        String key = opened.body().path("key").asString();
        var good = post("/api/feed").header("Authorization", "Bearer " + key).content("[]");
        assertThat(mvc().perform(good).andReturn().getResponse().getStatus()).isEqualTo(202);
        assertThat(tell("/api/shop-feeds", "{\"source\": \"Ferry shop\", \"units\": \"METRIC\"}")
                        .field("source"))
                .isNotNull();
        assertThat(tell("/api/shop-feeds", "{\"source\": \"FILE\", \"units\": \"METRIC\"}")
                        .field("source"))
                .isNotNull();
        assertThat(send(HttpMethod.DELETE, "/api/shop-feeds?source=Ferry shop", "")
                        .status())
                .isEqualTo(204);
        assertThat(mvc().perform(good).andReturn().getResponse().getStatus()).isEqualTo(401);
        assertThat(jdbc.sql("select count(*) from shop_feed where key_digest like ?")
                        .param("%" + KEY + "%")
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void whatAShopDeliveredOfAForgottenCustomerIsForgottenToo() throws Exception {
        String shy = body("HK-9", 2).replace("Runa", "Runa Shy");
        deliver(201, shy, "09:00");
        deliver(200, shy, "09:00");
        long order = jdbc.sql("select id from customer_order where reference = 'HK-9'")
                .query(Long.class)
                .single();
        // As a delivery stands that somebody had to look at before it was taken.
        jdbc.sql("update delivery set body = convert_to(?, 'UTF8') where 'HK-9' = any (order_references)")
                .param(shy)
                .update();
        tell("/api/orders/" + order + "/acts/CANCEL", "{}");
        long customer = ask("/api/orders/" + order).body().path("customerId").asLong();
        assertThat(tell("/api/customers/" + customer + "/forget", "").status()).isEqualTo(200);
        assertThat(jdbc.sql("select body is null from delivery where 'HK-9' = any (order_references)")
                        .query(Boolean.class)
                        .list())
                .isNotEmpty()
                .containsOnly(true);
    }

    @Test
    void sixteenAtOnceOfOneOrderMakeItOnce() throws Exception {
        ExecutorService many = Executors.newFixedThreadPool(16);
        CountDownLatch start = new CountDownLatch(1);
        List<Future<Integer>> answers = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            answers.add(many.submit(() -> {
                start.await();
                return mvc().perform(post("/api/feed")
                                .header("Authorization", "Bearer " + KEY)
                                .content(body("HK-8", 2)))
                        .andReturn()
                        .getResponse()
                        .getStatus();
            }));
        }
        start.countDown();
        List<Integer> statuses = new ArrayList<>();
        for (Future<Integer> answer : answers) {
            statuses.add(answer.get());
        }
        many.shutdown();
        assertThat(statuses).containsOnly(200, 201).containsOnlyOnce(201);
        assertThat(pieces("HK-8")).containsExactly(2);
    }

    /** Whatever arrives is answered, and either all of it is taken or it waits. */
    @Test
    void noDamagedDeliveryBreaksTheDoor() throws Exception {
        Random random = new Random(5);
        byte[] good = ("[" + body("HK-9", 2) + "," + body("HK-10", 1) + "]").getBytes(StandardCharsets.UTF_8);
        for (int i = 0; i < 150; i++) {
            byte[] bytes = good.clone();
            for (int change = 0; change < 1 + random.nextInt(4); change++) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            }
            var answer = mvc().perform(post("/api/feed")
                            .header("Authorization", "Bearer " + KEY)
                            .content(bytes))
                    .andReturn()
                    .getResponse();
            assertThat(answer.getStatus())
                    .as(new String(bytes, StandardCharsets.UTF_8))
                    .isIn(200, 201, 202);
        }
        jdbc.sql("delete from delivery where state = 'WAITING'").update();
    }
}
