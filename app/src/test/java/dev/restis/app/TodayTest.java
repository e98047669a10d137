package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** Each situation of a morning yields its row, in its place, with what is done about it. */
class TodayTest extends AtTheBench {

    @AfterEach
    void asItWas() {
        jdbc.sql("update workshop set checks = false, packs = false").update();
        jdbc.sql("delete from delivery where source = 'morning kiosk'").update();
        forgetOrders("customer = 'Sefa Morning'");
    }

    private JsonNode today() throws Exception {
        return ask("/api/today").body();
    }

    private List<JsonNode> rows(String list, long of) throws Exception {
        return StreamSupport.stream(today().path(list).spliterator(), false)
                .filter(r -> r.path("order").asLong() == of)
                .toList();
    }

    private JsonNode row(String list, String doing) throws Exception {
        return rows(list, order).stream()
                .filter(r -> r.path("doing").asString().equals(doing))
                .findFirst()
                .orElseThrow(() -> new AssertionError(doing + " is not among what is " + list));
    }

    private void say(String act, List<Long> which) throws Exception {
        assertThat(tell("/api/pieces/acts", "{\"act\": \"%s\", \"pieces\": %s}".formatted(act, which))
                        .status())
                .isEqualTo(204);
    }

    private void dueIn(int days) {
        jdbc.sql("update customer_order set due = ? where id = ?")
                .params(LocalDate.now().plusDays(days), order)
                .update();
    }

    @Test
    void whatIsPlannedIsCut() throws Exception {
        long other = tell("/api/orders", order("Sefa Morning", 2, choices()))
                .body()
                .path("id")
                .asLong();
        assertThat(rows("now", other).get(0).path("open").asBoolean())
                .as("nobody has put them in a batch")
                .isTrue();
        long batch = batchOf(other, 2);
        JsonNode cut = rows("now", other).get(0);
        assertThat(cut.path("doing").asString()).isEqualTo("CUT");
        assertThat(cut.path("pieces").asInt()).isEqualTo(2);
        assertThat(cut.path("batch").asLong()).isEqualTo(batch);
        assertThat(cut.hasNonNull("cutList")).isFalse();
        assertThat(cut.path("open").asBoolean()).isFalse();
        long list = tell("/api/cut/lists", "{\"batches\": [%d]}".formatted(batch))
                .body()
                .path("id")
                .asLong();
        assertThat(rows("now", other).get(0).path("cutList").asLong()).isEqualTo(list);
    }

    @Test
    void whatIsCutIsTiedAndWhatIsInHandGoesOn() throws Exception {
        JsonNode cut = row("now", "TIE");
        assertThat(cut.path("pieces").asInt()).isEqualTo(3);
        assertThat(cut.path("some").toString()).isEqualTo(pieces.toString().replace(" ", ""));
        assertThat(cut.path("inHand").asBoolean()).isFalse();
        take("Tove", pieces.subList(0, 1), false);
        take("Bram", pieces.subList(1, 2), false);
        List<JsonNode> rows = rows("now", order);
        assertThat(rows).as("mine, and what nobody has; not Bram's").hasSize(2);
        assertThat(rows).extracting(r -> r.path("inHand").asBoolean()).containsExactlyInAnyOrder(true, false);
        assertThat(rows).extracting(r -> r.path("pieces").asInt()).containsOnly(1);
    }

    @Test
    void aPieceThatIsHeldUpWaitsForAWord() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        JsonNode card = card(piece);
        int gate = stepOf(card, "kind", "GATE");
        doTo(piece, gate);
        assertThat(act("Tove", UUID.randomUUID(), piece, "NOT_YET", gate, ", \"reason\": \"too short\"")
                        .status())
                .isEqualTo(200);
        JsonNode decision = StreamSupport.stream(today().path("decide").spliterator(), false)
                .filter(d -> d.path("kind").asString().equals("HELD_UP")
                        && d.path("order").asLong() == order)
                .findFirst()
                .orElseThrow();
        assertThat(decision.path("piece").asLong()).isEqualTo(piece);
        assertThat(rows("now", order)).as("it is not tied meanwhile").hasSize(1);
    }

    @Test
    void whatIsMadeIsCheckedPackedAndSent() throws Exception {
        jdbc.sql("update workshop set checks = true, packs = true").update();
        say("FINISH", pieces);
        JsonNode check = row("now", "CHECK");
        assertThat(check.path("pieces").asInt()).isEqualTo(3);
        assertThat(ask("/api/bench/pieces/" + check.path("piece").asLong()).status())
                .as("where it is inspected, also one that was tied without a card")
                .isEqualTo(200);
        say("CHECK", pieces);
        assertThat(row("now", "PACK").path("pieces").asInt()).isEqualTo(3);
        say("PACK", pieces);
        assertThat(row("now", "SEND").path("pieces").asInt()).isEqualTo(3);
        say("SEND", pieces);
        assertThat(rows("now", order)).isEmpty();
    }

    @Test
    void whatDriesSaysUntilWhen() throws Exception {
        say("FINISH", pieces);
        Instant dry = Instant.now().plusSeconds(7200).truncatedTo(ChronoUnit.SECONDS);
        jdbc.sql("update piece set dry_until = ? where id in (:p)".replace("?", ":dry"))
                .param("dry", java.sql.Timestamp.from(dry))
                .param("p", pieces)
                .update();
        try {
            JsonNode wet = row("waits", "SEND");
            assertThat(Instant.parse(wet.path("until").asString())).isEqualTo(dry);
            assertThat(rows("now", order)).isEmpty();
        } finally {
            jdbc.sql("update piece set dry_until = null where id in (:p)")
                    .param("p", pieces)
                    .update();
        }
    }

    @Test
    void whatIsDoneWaitsForTheRestOfItsOrder() throws Exception {
        say("FINISH", pieces.subList(0, 2));
        JsonNode rest = row("waits", "SEND");
        assertThat(rest.path("missing").asInt()).isEqualTo(1);
        assertThat(rest.path("pieces").asInt()).isEqualTo(2);
        assertThat(row("now", "TIE").path("pieces").asInt()).isEqualTo(1);
    }

    @Test
    void whatHadToBeginBeforeTodayStandsAtTheTopAndSaysSo() throws Exception {
        dueIn(-4);
        JsonNode tie = row("now", "TIE");
        assertThat(tie.path("late").asBoolean()).isTrue();
        assertThat(LocalDate.parse(tie.path("startBy").asString())).isBefore(LocalDate.now());
        List<String> starts = today().path("now").findValuesAsString("startBy");
        assertThat(starts).as("what must begin first is at the top").isSorted();
        dueIn(60);
        assertThat(row("now", "TIE").path("late").asBoolean()).isFalse();
    }

    @Test
    void aTrayAQuoteThatNobodyAnsweredAndStrangeMeasurementsWaitForAWord() throws Exception {
        jdbc.sql("""
                        insert into delivery (source, digest, units, body, state, sent_at, arrived_at, order_references)
                        values ('morning kiosk', 'd1', 'METRIC', convert_to('{}', 'UTF8'), 'WAITING', now(), now(), '{}')
                        """).update();
        long quoted = tell("/api/orders", order("Sefa Morning", 1, choices()).replaceFirst("\\{", "{\"draft\": true, "))
                .body()
                .path("id")
                .asLong();
        assertThat(tell("/api/orders/" + quoted + "/acts/QUOTE", "").status()).isEqualTo(204);
        assertThat(kinds()).contains("TRAY").doesNotContain("STALE_QUOTE " + quoted);
        jdbc.sql("update quote set valid_until = ? where order_id = ?")
                .params(LocalDate.now().minusDays(1), quoted)
                .update();
        assertThat(kinds()).contains("STALE_QUOTE " + quoted);
    }

    private List<String> kinds() throws Exception {
        return StreamSupport.stream(today().path("decide").spliterator(), false)
                .map(d -> (d.path("kind").asString() + " " + d.path("order").asString("")).strip())
                .toList();
    }

    @Test
    void aMakerSeesWhatIsTheirsToo() throws Exception {
        take("Bram", pieces.subList(0, 2), false);
        JsonNode bram = send("Bram", HttpMethod.GET, "/api/today", "").body();
        JsonNode own = StreamSupport.stream(bram.path("now").spliterator(), false)
                .filter(r ->
                        r.path("order").asLong() == order && r.path("inHand").asBoolean())
                .findFirst()
                .orElseThrow();
        assertThat(own.path("pieces").asInt()).isEqualTo(2);
        assertThat(own.path("mine").asBoolean()).isTrue();
    }
}
