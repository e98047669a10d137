package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.Result;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import dev.restis.app.costs.Verification;
import dev.restis.app.cut.CordCounter;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.StreamSupport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.util.ReflectionTestUtils;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;

/** Cutting one cut after the other, with everything that goes wrong. */
class BenchTest extends RestisTest {

    @Autowired
    private ApplicationContext context;

    @Autowired
    private CordCounter counter;

    @AfterEach
    void everythingAddsUp() {
        assertThat(new Verification(jdbc).differences()).isEmpty();
        forgetOrders("customer like 'Bench %'");
    }

    private long orderOf(String code, int pieces) throws Exception {
        return tell("/api/orders", order("Bench " + code, pieces, """
                        {"pattern": "snake", "wrist": "16 cm", "colours": ["%1$s", "%1$s"], "units": "METRIC"}
                        """.formatted(code)))
                .body()
                .path("id")
                .asLong();
    }

    private JsonNode list(long id) throws Exception {
        return ask("/api/cut/lists/" + id).body();
    }

    private JsonNode again(JsonNode list) throws Exception {
        return list(list.path("id").asLong());
    }

    private static List<JsonNode> steps(JsonNode spool, boolean done) {
        return StreamSupport.stream(spool.path("steps").spliterator(), false)
                .filter(s -> s.hasNonNull("doneAt") == done)
                .toList();
    }

    private static String path(JsonNode list, JsonNode spool, String act) {
        return "/api/cut/lists/%d/spools/%d/%s"
                .formatted(list.path("id").asLong(), spool.path("id").asLong(), act);
    }

    private Answer tick(JsonNode list, JsonNode spool, JsonNode step) throws Exception {
        return tell(
                path(list, spool, "cuts"),
                "{\"steps\": [%d]}".formatted(step.path("id").asLong()));
    }

    /** Makes so many of the next cuts of the list's first spool that has any; answers the list afterwards. */
    private JsonNode cut(JsonNode list, int count) throws Exception {
        JsonNode now = again(list);
        for (int i = 0; i < count; i++) {
            JsonNode spool = firstToDo(now);
            assertThat(tick(now, spool, steps(spool, false).get(0)).status()).isEqualTo(204);
            now = again(now);
        }
        return now;
    }

    private static JsonNode firstToDo(JsonNode list) {
        return StreamSupport.stream(list.path("spools").spliterator(), false)
                .filter(s -> !steps(s, false).isEmpty())
                .findFirst()
                .orElseThrow();
    }

    private long balance(JsonNode spool) {
        return jdbc.sql("select quantity from holding where id = ?")
                .param(spool.path("holdingId").asLong())
                .query(Long.class)
                .single();
    }

    private long promised(long order) {
        return jdbc.sql("select coalesce(sum(quantity), 0) from article_reserved where order_id = ?")
                .param(order)
                .query(Long.class)
                .single();
    }

    private int cutPieces(long order) {
        return jdbc.sql("select cut from customer_order where id = ?")
                .param(order)
                .query(Integer.class)
                .single();
    }

    private JsonNode ready(String code, int pieces, String... spools) throws Exception {
        addCord(code, "#33557" + code.charAt(code.length() - 1), "2 mm");
        for (String length : spools) {
            receive(code, "L-" + length, length, "");
        }
        return sheet(batchOf(orderOf(code, pieces), pieces));
    }

    private long orderOf(JsonNode list) {
        return jdbc.sql("""
                        select max(l.order_id) from piece p join order_line l on l.id = p.line_id
                        where p.batch_id = ?
                        """)
                .param(list.path("batches").path(0).path("id").asLong())
                .query(Long.class)
                .single();
    }

    @Test
    void everyCutMovesTheBooksAndTakingItBackMovesThemBack() throws Exception {
        JsonNode list = ready("BT1", 2, "30 m");
        JsonNode spool = firstToDo(list);
        long order = orderOf(list);
        long promised = promised(order);
        long length = steps(spool, false).get(0).path("lengthUm").asLong();

        JsonNode one = cut(list, 1);
        assertThat(balance(spool)).isEqualTo(30_000_000 - length);
        assertThat(promised(order)).as("what is cut is promised no more").isEqualTo(promised - length);
        assertThat(one.path("done").asInt()).isEqualTo(1);
        assertThat(one.path("spools").path(0).path("inHandOf").asString()).isEqualTo("Tove");
        assertThat(cutPieces(order)).isZero();

        int strands = list.path("strands").asInt();
        JsonNode all = cut(list, strands - 1);
        assertThat(cutPieces(order)).isEqualTo(2);
        assertThat(promised(order)).isZero();
        assertThat(all.hasNonNull("confirmedAt"))
                .as("the rest is not put back yet")
                .isFalse();
        JsonNode end = cut(list, 1);
        assertThat(end.hasNonNull("confirmedAt")).isTrue();
        assertThat(new Verification(jdbc).differences()).isEmpty();

        for (int i = 0; i < strands + 1; i++) {
            assertThat(tell(path(list, spool, "undo"), "").status()).isEqualTo(204);
        }
        assertThat(balance(spool)).isEqualTo(30_000_000);
        assertThat(promised(order)).isEqualTo(promised);
        assertThat(cutPieces(order)).isZero();
        assertThat(again(list).hasNonNull("confirmedAt")).isFalse();
        assertThat(tell(path(list, spool, "undo"), "").body().path("code").asString())
                .isEqualTo("cut.nothingToUndo");
        assertThat(jdbc.sql("select full_quantity from holding where id = ?")
                        .param(spool.path("holdingId").asLong())
                        .query(Long.class)
                        .single())
                .as("what is taken back was never taken")
                .isEqualTo(30_000_000);
    }

    @Test
    void neverTheSameCutTwiceAndNeverOutOfTurn() throws Exception {
        JsonNode list = ready("BT2", 2, "30 m");
        JsonNode spool = firstToDo(list);
        List<JsonNode> steps = steps(spool, false);
        assertThat(tick(list, spool, steps.get(1)).body().path("code").asString())
                .isEqualTo("cut.planChanged");
        assertThat(atOnce(Collections.nCopies(
                        4, () -> tick(list, spool, steps.get(0)).status())))
                .containsExactlyInAnyOrder(204, 409, 409, 409);
        Answer second = tick(list, spool, steps.get(0));
        assertThat(second.body().path("title").asString()).contains("Tove");
        assertThat(balance(spool))
                .isEqualTo(30_000_000 - steps.get(0).path("lengthUm").asLong());
    }

    private int asBram(JsonNode list, JsonNode spool, String act, String body) throws Exception {
        return mvc().perform(MockMvcRequestBuilders.post(path(list, spool, act))
                        .with(user("Bram").roles("MAKER"))
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    @Test
    void twoPeopleCutDifferentSpoolsOfOneListAndNeitherTakesTheOthers() throws Exception {
        addCord("BT3", "#335573", "2 mm");
        receive("BT3", "L-1", "30 m", "");
        long one = batchOf(orderOf("BT3", 1), 1);
        addCord("BT4", "#335574", "2 mm");
        receive("BT4", "L-1", "30 m", "");
        long other = batchOf(orderOf("BT4", 1), 1);
        JsonNode list = list(tell("/api/cut/lists", "{\"batches\": [%d, %d]}".formatted(one, other))
                .body()
                .path("id")
                .asLong());
        assertThat(list.path("batches")).hasSize(2);
        JsonNode mine = list.path("spools").path(0);
        JsonNode his = list.path("spools").path(1);
        assertThat(tell(path(list, mine, "take"), "{\"over\": false}").status()).isEqualTo(204);
        assertThat(asBram(list, his, "take", "{\"over\": false}")).isEqualTo(204);
        Answer taken = tick(list, his, steps(his, false).get(0));
        assertThat(taken.status()).isEqualTo(409);
        assertThat(taken.body().path("title").asString()).contains("Bram");
        assertThat(tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "")
                        .status())
                .isEqualTo(409);
        String his1 = "{\"steps\": [%d]}"
                .formatted(steps(his, false).get(0).path("id").asLong());
        assertThat(asBram(list, his, "cuts", his1)).isEqualTo(204);
        assertThat(tick(list, mine, steps(mine, false).get(0)).status()).isEqualTo(204);
        assertThat(tell(path(list, his, "take"), "{\"over\": true}").status()).isEqualTo(204);
        assertThat(asBram(list, his, "put-down", "")).isEqualTo(204);
        assertThat(again(list).path("spools").path(1).path("inHandOf").asString())
                .as("what is in another's hand cannot be put down")
                .isEqualTo("Tove");
        assertThat(tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "")
                        .status())
                .as("the rest by the sheet")
                .isEqualTo(204);
    }

    /** 30 m on one spool, 9 m on another of the same lot; after the first cut a flaw shows 500 mm on. */
    @Test
    void aFlawIsPlannedAroundAndWhatIsCutStays() throws Exception {
        JsonNode list = ready("BT5", 3, "30 m");
        JsonNode before = cut(list, 1);
        JsonNode spool = firstToDo(before);
        Answer flaw = tell(path(list, spool, "flaw"), "{\"at\": \"500 mm\", \"units\": \"METRIC\", \"join\": false}");
        assertThat(flaw.status()).as(flaw.text()).isEqualTo(204);
        JsonNode after = again(list);
        JsonNode again = firstToDo(after);
        assertThat(steps(again, true)).hasSize(1);
        long at = steps(again, true).get(0).path("lengthUm").asLong() + 500_000;
        assertThat(again.path("flawsUm").path(0).asLong()).isEqualTo(at);
        for (JsonNode step : again.path("steps")) {
            long from = step.path("fromUm").asLong();
            boolean crosses = from < at && at < from + step.path("lengthUm").asLong();
            assertThat(crosses && step.path("kind").asString().equals("STRAND")).isFalse();
        }
        assertThat(after.path("unplanned").asInt()).isZero();
        assertThat(after.path("strands").asInt()).isEqualTo(list.path("strands").asInt());
        assertThat(tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "")
                        .status())
                .isEqualTo(204);
        assertThat(tell(path(list, spool, "flaw"), "{\"at\": \"5 mm\", \"units\": \"METRIC\", \"join\": false}")
                        .status())
                .as("nothing is cut any more")
                .isEqualTo(409);
    }

    /**
     * One spool for both pieces; it is at its end when the first is begun, so that is given up and must wait. When the list is done
     * without it, it goes back to the open work, and what was cut for it with all that it moved.
     */
    @Test
    void whatWasBegunAndHadToWaitGoesBackToTheOpenWork() throws Exception {
        addCord("BTW", "#2F5F4F", "2 mm");
        addCord("BTX", "#2F5F5F", "2 mm");
        receive("BTW", "BTW-1", "20 m", "");
        receive("BTX", "BTX-1", "20 m", "");
        long waiting = orderOf("BTW", 1);
        Answer made = tell(
                "/api/cut/lists",
                "{\"batches\": [%d, %d]}".formatted(batchOf(waiting, 1), batchOf(orderOf("BTX", 1), 1)));
        JsonNode list = list(made.body().path("id").asLong());
        JsonNode spool = StreamSupport.stream(list.path("spools").spliterator(), false)
                .filter(s -> s.path("articleCode").asString().equals("BTW"))
                .findFirst()
                .orElseThrow();
        assertThat(tick(list, spool, steps(spool, false).get(0)).status()).isEqualTo(204);
        assertThat(tell(path(list, spool, "ran-out"), "{\"left\": \"1 mm\", \"units\": \"METRIC\"}")
                        .status())
                .isEqualTo(204);
        assertThat(again(list).path("waiting")).hasSize(1);
        Answer done = tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "");
        assertThat(done.status()).as(done.text()).isEqualTo(204);
        assertThat(ask("/api/orders/" + waiting)
                        .body()
                        .path("lines")
                        .path(0)
                        .path("planned")
                        .asInt())
                .isZero();
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    /** Two lots of 20 m; when the first turns out to be at its end, the piece that is begun is cut anew from the other. */
    @Test
    void whatRanOutIsCutFromAnotherLotAndWhatWasCutOfAPieceServesTheNext() throws Exception {
        JsonNode list = ready("BT6", 1, "20 m", "21 m");
        JsonNode begun = cut(list, 1);
        JsonNode spool = firstToDo(begun);
        long length = steps(spool, true).get(0).path("lengthUm").asLong();
        Answer more = tell(path(list, spool, "ran-out"), "{\"left\": \"80 m\", \"units\": \"METRIC\"}");
        assertThat(more.field("left").toString()).contains("no less than the books say");
        Answer out = tell(path(list, spool, "ran-out"), "{\"left\": \"10 cm\", \"units\": \"METRIC\"}");
        assertThat(out.status()).as(out.text()).isEqualTo(204);
        assertThat(balance(spool)).isEqualTo(100_000);
        assertThat(new Verification(jdbc).differences()).isEmpty();
        JsonNode after = again(list);
        assertThat(after.path("waiting")).isEmpty();
        assertThat(firstToDo(after).path("holdingId")).isNotEqualTo(spool.path("holdingId"));
        List<Long> offered = jdbc.sql("""
                        select h.quantity from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where h.kind = 'CUT' and a.code = 'BT6'
                        """).query(Long.class).list();
        assertThat(offered).containsExactly(length);
        assertThat(tell(path(list, spool, "undo"), "").body().path("code").asString())
                .isEqualTo("cut.givenUp");
        assertThat(tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "")
                        .status())
                .isEqualTo(204);
    }

    @Test
    void whatWasCutWrongIsKeptOrBinnedAndTheRestGoesOn() throws Exception {
        JsonNode list = ready("BT7", 1, "30 m");
        JsonNode spool = firstToDo(list);
        assertThat(tell(path(list, spool, "wrong"), "{\"length\": \"90 m\", \"units\": \"METRIC\", \"keep\": true}")
                        .field("length")
                        .toString())
                .contains("length");
        Answer wrong =
                tell(path(list, spool, "wrong"), "{\"length\": \"70 cm\", \"units\": \"METRIC\", \"keep\": true}");
        assertThat(wrong.status()).as(wrong.text()).isEqualTo(204);
        assertThat(balance(spool)).isEqualTo(29_300_000);
        JsonNode after = again(list);
        JsonNode step = steps(firstToDo(after), true).get(0);
        assertThat(step.path("kind").asString()).isEqualTo("OFFCUT");
        assertThat(step.path("lengthUm").asLong()).isEqualTo(700_000);
        assertThat(tell(path(list, firstToDo(after), "undo"), "").status()).isEqualTo(204);
        assertThat(balance(spool)).isEqualTo(30_000_000);
        assertThat(steps(firstToDo(again(list)), true)).isEmpty();
        assertThat(tell(path(list, firstToDo(again(list)), "wrong"), """
                        {"length": "20 cm", "units": "METRIC", "keep": false}
                        """).status())
                .isEqualTo(204);
        assertThat(tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "")
                        .status())
                .isEqualTo(204);
        JsonNode costs = ask("/api/costs?batch="
                        + list.path("batches").path(0).path("id").asLong())
                .body();
        assertThat(costs.path("pieces").path(0).path("actual").path("waste").decimalValue())
                .isPositive();
    }

    @Test
    void whatWasCutForACancelledOrderIsOfferedToTheNextFirst() throws Exception {
        JsonNode list = ready("BT8", 2, "30 m");
        cut(list, 3);
        long order = orderOf(list);
        Answer cancelled = tell("/api/orders/" + order + "/acts/CANCEL", "{}");
        assertThat(cancelled.status()).as(cancelled.text()).isBetween(200, 204);
        assertThat(jdbc.sql("""
                        select count(*) from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where h.kind = 'CUT' and a.code = 'BT8' and h.quantity > 0
                        """).query(Integer.class).single()).isEqualTo(3);
        assertThat(new Verification(jdbc).differences()).isEmpty();
        JsonNode next = sheet(batchOf(orderOf("BT8", 1), 1));
        List<String> kinds = StreamSupport.stream(next.path("spools").spliterator(), false)
                .map(s -> s.path("kind").asString())
                .toList();
        assertThat(kinds).as("cut to length already").contains("CUT");
        assertThat(confirm(next)).isEqualTo(204);
    }

    @Test
    void theBenchSaysWhatIsCutFromWhereAndInWhichOrder() throws Exception {
        JsonNode list = ready("BT9", 2, "10 m", "12 m");
        JsonNode spool = firstToDo(list);
        long holding = spool.path("holdingId").asLong();
        long piece = steps(spool, false).get(0).path("pieceId").asLong();
        String wishes = "/api/cut/lists/" + list.path("id").asLong() + "/wishes";
        assertThat(send(HttpMethod.PUT, wishes, "{\"forbidden\": [987654321], \"pins\": []}")
                        .field("forbidden")
                        .toString())
                .contains("no such spool");
        assertThat(send(HttpMethod.PUT, wishes, "{\"forbidden\": [%d], \"pins\": []}".formatted(holding))
                        .status())
                .isEqualTo(204);
        JsonNode without = again(list);
        assertThat(without.path("spools").findValuesAsString("holdingId")).doesNotContain(String.valueOf(holding));
        assertThat(without.path("forbidden").path(0).path("holdingId").asLong()).isEqualTo(holding);
        long other = firstToDo(without).path("holdingId").asLong();
        assertThat(send(HttpMethod.PUT, wishes, """
                        {"forbidden": [%d], "pins": [{"piece": %d, "holding": %d}]}
                        """.formatted(holding, piece, holding))
                        .field("pins")
                        .toString())
                .contains("not to be used");
        assertThat(send(HttpMethod.PUT, wishes, """
                        {"forbidden": [], "pins": [{"piece": %d, "holding": %d}]}
                        """.formatted(piece, other)).status())
                .isEqualTo(204);
        JsonNode pinned = again(list);
        for (JsonNode each : pinned.path("spools")) {
            for (JsonNode step : each.path("steps")) {
                if (step.path("pieceId").asLong() == piece) {
                    assertThat(each.path("holdingId").asLong()).isEqualTo(other);
                }
            }
        }
        List<Long> ids = StreamSupport.stream(pinned.path("spools").spliterator(), false)
                .map(s -> s.path("id").asLong())
                .toList();
        List<Long> turned = new ArrayList<>(ids);
        java.util.Collections.reverse(turned);
        assertThat(send(
                                HttpMethod.PUT,
                                "/api/cut/lists/" + list.path("id").asLong() + "/order",
                                "{\"spools\": %s}".formatted(turned))
                        .status())
                .isEqualTo(204);
        assertThat(StreamSupport.stream(again(list).path("spools").spliterator(), false)
                        .map(s -> s.path("id").asLong())
                        .toList())
                .isEqualTo(turned);
    }

    private static void asTove(Runnable act) {
        SecurityContextHolder.getContext()
                .setAuthentication(new UsernamePasswordAuthenticationToken("Tove", null, List.of()));
        try {
            act.run();
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    @Test
    void theCounterCutsWhenTheLengthHasRunThrough() throws Exception {
        JsonNode list = ready("BU1", 1, "30 m");
        JsonNode spool = firstToDo(list);
        long id = list.path("id").asLong();
        long need = steps(spool, false).get(0).path("lengthUm").asLong();
        asTove(() -> {
            counter.counted(id, spool.path("id").asLong(), 5_000_000, true);
            counter.counted(id, spool.path("id").asLong(), 5_000_000 + need - 1_000, false);
        });
        assertThat(again(list).path("done").asInt()).isZero();
        asTove(() -> counter.counted(id, spool.path("id").asLong(), 5_000_000 + need + 2_000, false));
        assertThat(again(list).path("done").asInt()).isEqualTo(1);
        asTove(() -> counter.counted(id, spool.path("id").asLong(), 5_000_000 + need + 2_500, false));
        assertThat(again(list).path("done").asInt())
                .as("counts anew after each cut")
                .isEqualTo(1);
        assertThat(tell(path(list, spool, "counter"), "{\"anew\": true}")
                        .body()
                        .path("code")
                        .asString())
                .as("no counter is on this bench")
                .isEqualTo("device.silent");
    }

    /** A piece whose bead is missing is not called cut; the cord that was cut is booked all the same. */
    @Test
    void aPieceThatLacksPartsWaitsForThemAndLosesNoCut() throws Exception {
        addCord("BU2", "#335582", "2 mm");
        receive("BU2", "L-1", "30 m", "");
        addCord("BU3", "#335583", "2 mm");
        JsonNode list = sheet(batchOf(orderOf("BU2", 1), 1));
        long article = jdbc.sql("select id from article where code = 'BU3'")
                .query(Long.class)
                .single();
        long piece = jdbc.sql("select max(id) from piece where batch_id = ?")
                .param(list.path("batches").path(0).path("id").asLong())
                .query(Long.class)
                .single();
        jdbc.sql("insert into piece_hardware (piece_id, article_id, quantity) values (?, ?, 2)")
                .params(piece, article)
                .update();
        int steps = firstToDo(list).path("steps").size();
        JsonNode end = cut(list, steps);
        assertThat(end.hasNonNull("confirmedAt")).isFalse();
        assertThat(end.path("lacking").asInt()).isEqualTo(1);
        Answer refused = tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "");
        assertThat(refused.field("hardware").toString()).contains("BU3");
        receive("BU3", "L-1", "1 m", "");
        assertThat(tell("/api/cut/lists/" + list.path("id").asLong() + "/confirm", "")
                        .status())
                .isEqualTo(204);
        assertThat(again(list).hasNonNull("confirmedAt")).isTrue();
    }

    @Test
    void betterPlansTakeThePlaceOfTheFirstUntilSomebodyCuts() throws Exception {
        jdbc.sql("update cut_weights set plan_seconds = 3").update();
        JsonNode list = ready("BU4", 12, "7 m", "9 m", "11 m", "40 m");
        long id = list.path("id").asLong();
        long job = jdbc.sql("select max(id) from job where kind = 'cut-plan' and subject = ?")
                .param(String.valueOf(id))
                .query(Long.class)
                .single();
        assertThat(job(job).path("state").asString()).isEqualTo("DONE");
        JsonNode settled = list(id);
        assertThat(settled.path("bettering").asBoolean()).isFalse();
        assertThat(settled.path("strands").asInt())
                .isEqualTo(list.path("strands").asInt());
        assertThat(settled.path("quality").path("cost").decimalValue())
                .isLessThanOrEqualTo(list.path("quality").path("cost").decimalValue());
        // A better one is looked for again; somebody who cuts meanwhile keeps the plan that is being cut.
        assertThat(tell("/api/cut/lists/" + id + "/plan", "").status()).isEqualTo(204);
        JsonNode begun = beginAmidBettering(id);
        long again = jdbc.sql("select max(id) from job where kind = 'cut-plan' and subject = ?")
                .param(String.valueOf(id))
                .query(Long.class)
                .single();
        assertThat(again).isGreaterThan(job);
        assertThat(tell("/api/cut/lists/" + id + "/stop", "").status()).isEqualTo(204);
        job(again);
        assertThat(list(id).path("spools").findValuesAsString("id"))
                .isEqualTo(begun.path("spools").findValuesAsString("id"));
        assertThat(confirm(list(id))).isEqualTo(204);
    }

    /** Makes the first cut of whichever plan stands in that moment; a better one may come between looking and cutting. */
    private JsonNode beginAmidBettering(long id) throws Exception {
        for (int tries = 0; tries < 20; tries++) {
            JsonNode seen = list(id);
            JsonNode spool = firstToDo(seen);
            Answer answer = tick(seen, spool, steps(spool, false).get(0));
            if (answer.status() == 204) {
                return list(id);
            }
            assertThat(answer.body().path("code").asString()).isEqualTo("cut.planChanged");
        }
        throw new AssertionError("no plan stood long enough to be cut");
    }

    @Test
    void whereTheCordWentAddsUpByArticleMonthAndList() throws Exception {
        JsonNode list = ready("BU5", 2, "30 m");
        JsonNode spool = firstToDo(list);
        assertThat(tell(path(list, spool, "wrong"), "{\"length\": \"20 cm\", \"units\": \"METRIC\", \"keep\": false}")
                        .status())
                .isEqualTo(204);
        assertThat(tell(path(list, spool, "wrong"), "{\"length\": \"45 cm\", \"units\": \"METRIC\", \"keep\": true}")
                        .status())
                .isEqualTo(204);
        JsonNode one = cut(list, 1);
        assertThat(tell(path(one, firstToDo(one), "undo"), "").status()).isEqualTo(204);
        assertThat(confirm(again(list))).isEqualTo(204);
        JsonNode row = row("ARTICLE", "BU5");
        long used = row.path("usedUm").asLong();
        long tails = row.path("tailsUm").asLong();
        assertThat(used + tails).isEqualTo(again(list).path("cutUm").asLong());
        assertThat(used).isPositive();
        assertThat(row.path("scrapUm").asLong()).isEqualTo(200_000);
        assertThat(row.path("remnantsMade").asInt()).isEqualTo(1);
        assertThat(row.path("remnantsMadeUm").asLong()).isEqualTo(450_000);
        assertThat(row.path("remnantsUsed").asInt()).isZero();
        String batch = list.path("name").asString();
        assertThat(row("BATCH", batch).path("list").asLong())
                .isEqualTo(list.path("id").asLong());
        List<JsonNode> before = List.of(row, row("BATCH", batch));
        summed("cutWasteSums");
        assertThat(jdbc.sql("select count(*) from cut_waste where cut_list_id = ?")
                        .param(list.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isPositive();
        assertThat(List.of(row("ARTICLE", "BU5"), row("BATCH", batch)))
                .as("summed, it is the same")
                .isEqualTo(before);
        JsonNode last = again(list).path("spools").path(0);
        // What was put back, then the last strand.
        assertThat(tell(path(list, last, "undo"), "").status()).isEqualTo(204);
        assertThat(tell(path(list, last, "undo"), "").status()).isEqualTo(204);
        assertThat(row("ARTICLE", "BU5"))
                .as("what is done to a list that was summed shows at once")
                .isNotEqualTo(before.get(0));
        assertThat(ask("/api/cut/waste?by=MONTH").body()).isNotEmpty();
        assertThat(ask("/api/cut/waste?by=ARTICLE&to=2020-01-01").body()).isEmpty();
        assertThat(ask("/api/cut/waste.csv?by=ARTICLE").text()).contains("BU5").contains("scrap mm");
    }

    private void summed(String by) {
        ReflectionTestUtils.invokeMethod(context.getBean(by), "sum");
    }

    private JsonNode row(String by, String label) throws Exception {
        return StreamSupport.stream(ask("/api/cut/waste?by=" + by).body().spliterator(), false)
                .filter(r -> r.path("label").asString().equals(label))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void tagsNameEachPieceAndItsStrandsAndCarryACode() throws Exception {
        JsonNode list = ready("BU6", 2, "30 m");
        String tags = "/api/cut/lists/" + list.path("id").asLong() + "/tags";
        byte[] pdf = mvc().perform(MockMvcRequestBuilders.get(tags + ".pdf")
                        .with(user("Tove").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        String reference =
                steps(firstToDo(list), false).get(0).path("reference").asString();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            assertThat(new PDFTextStripper().getText(document))
                    .contains(reference + " #")
                    .contains("mm (");
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 300);
            Result code = new QRCodeReader()
                    .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(
                            page.getWidth(),
                            page.getHeight(),
                            page.getRGB(0, 0, page.getWidth(), page.getHeight(), null, 0, page.getWidth())))));
            assertThat(code.getText()).isEqualTo("http://localhost/orders?query=" + reference);
        }
        assertThat(tell(tags + "/print", "{\"each\": \"STRAND\"}")
                        .body()
                        .path("code")
                        .asString())
                .as("no printer is on this bench")
                .isEqualTo("device.silent");
    }

    /** Whatever happens at the bench, in whichever order: the books add up after each act, and no piece mixes lots. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void anyCourseOfActsKeepsTheBooks(int seed) throws Exception {
        Random random = new Random(seed);
        JsonNode list = ready("BW" + seed, 4, "9 m", "12 m", "40 m");
        for (int act = 0; act < 24; act++) {
            JsonNode now = again(list);
            if (now.path("spools").isEmpty() || now.hasNonNull("confirmedAt")) {
                break;
            }
            JsonNode spool =
                    now.path("spools").path(random.nextInt(now.path("spools").size()));
            Answer answer = anyAct(random, now, spool);
            assertThat(answer.status()).as(answer.text()).isIn(204, 409, 422);
            assertThat(new Verification(jdbc).differences())
                    .as("after act %d", act)
                    .isEmpty();
        }
        assertThat(jdbc.sql("""
                        select n.piece_id from cut_step t join strand n on n.id = t.strand_id
                            join cut_spool s on s.id = t.cut_spool_id join holding h on h.id = s.holding_id
                        where t.done_at is not null group by n.piece_id, n.article_id having count(distinct h.lot_id) > 1
                        """).query(Long.class).list()).isEmpty();
    }

    private Answer anyAct(Random random, JsonNode list, JsonNode spool) throws Exception {
        String length = "\"%d mm\", \"units\": \"METRIC\"".formatted(100 + random.nextInt(1500));
        List<JsonNode> toDo = steps(spool, false);
        return switch (random.nextInt(9)) {
            case 0 -> tell(path(list, spool, "undo"), "");
            case 1 -> tell(path(list, spool, "flaw"), "{\"at\": %s, \"join\": true}".formatted(length));
            case 2 ->
                tell(
                        path(list, spool, "wrong"),
                        "{\"length\": %s, \"keep\": %b}".formatted(length, random.nextBoolean()));
            case 3 ->
                random.nextInt(3) > 0
                        ? tell("/api/cut/lists/" + list.path("id").asLong() + "/plan", "")
                        : tell(path(list, spool, "ran-out"), "{\"left\": %s}".formatted(length));
            default -> toDo.isEmpty() ? tell(path(list, spool, "undo"), "") : tick(list, spool, toDo.get(0));
        };
    }
}
