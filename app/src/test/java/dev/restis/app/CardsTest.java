package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import dev.restis.app.costs.Verification;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** Cards at the bench: in whose hands, step by step, gate by gate. */
class CardsTest extends AtTheBench {

    @Test
    void whatIsCutWaitsAndIsInWorkOnceTaken() throws Exception {
        JsonNode waiting = ofOrder("/api/bench/waiting?");
        assertThat(waiting.path("count").asInt()).isEqualTo(3);
        assertThat(waiting.path("pieces").size()).isEqualTo(3);
        assertThat(take("Tove", pieces.subList(0, 1), false).status()).isEqualTo(204);
        assertThat(ofOrder("/api/bench/waiting?").path("count").asInt()).isEqualTo(2);
        JsonNode inWork = ofOrder("/api/bench/in-work?");
        assertThat(inWork.path("inHandOf").asString()).isEqualTo("Tove");
        assertThat(inWork.path("steps").asInt()).isGreaterThan(10);
        assertThat(stage(pieces.get(0))).isEqualTo("MAKING");
        assertThat(take("Tove", List.of(pieces.get(0)), false).status())
                .as("taking what is in hand")
                .isEqualTo(204);
    }

    private JsonNode ofOrder(String path) throws Exception {
        return all(path, "rows").stream()
                .filter(row -> row.path("order").asLong() == order)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aPieceIsInOnePersonsHands() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        Answer refused = take("Bram", List.of(piece), false);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().path("title").asString()).isEqualTo("This piece is in Tove’s hands");
        assertThat(act("Bram", UUID.randomUUID(), piece, "DONE", 0, "").status())
                .isEqualTo(409);
        assertThat(take("Bram", List.of(piece), true).status()).isEqualTo(204);
        assertThat(act(piece, "DONE", 0).body().path("title").asString()).isEqualTo("This piece is in Bram’s hands");
        assertThat(act("Bram", UUID.randomUUID(), piece, "DONE", 0, "").status())
                .isEqualTo(200);
        assertThat(send("Bram", HttpMethod.POST, "/api/bench/lay-down", "{\"pieces\": [%d]}".formatted(piece))
                        .status())
                .isEqualTo(204);
        assertThat(card(piece).path("inHandOf").asString()).isEmpty();
        assertThat(stage(piece)).as("it was worked on").isEqualTo("MAKING");
        assertThat(card(piece).path("next").asInt()).isEqualTo(1);
    }

    @Test
    void laidDownUntouchedItIsAsItWas() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        assertThat(tell("/api/bench/lay-down", "{\"pieces\": [%d]}".formatted(piece))
                        .status())
                .isEqualTo(204);
        assertThat(stage(piece)).isEqualTo("CUT");
        assertThat(take("Bram", List.of(piece), false).status()).isEqualTo(204);
    }

    @Test
    void outOfOrderNothingIsDone() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        JsonNode card = card(piece);
        int gate = stepOf(card, "kind", "CHECK");
        assertThat(act(piece, "DONE", gate + 1).body().path("title").asString()).isEqualTo("Another step is next");
        assertThat(act(piece, "NOT_YET", 0).status()).isEqualTo(409);
        doTo(piece, gate);
        assertThat(act(piece, "DONE", gate + 1).status()).as("past a gate").isEqualTo(409);
        assertThat(act(piece, "NOT_YET", gate).body().path("heldUp").asBoolean())
                .isTrue();
        assertThat(act(piece, "ALL_THE_SAME", gate).body().path("title").asString())
                .isEqualTo("Going on all the same needs a reason");
        Answer passed = act("Tove", UUID.randomUUID(), piece, "ALL_THE_SAME", gate, ", \"reason\": \"it is near\"");
        assertThat(passed.body().path("next").asInt()).isEqualTo(gate + 1);
        assertThat(passed.body().path("heldUp").asBoolean()).isFalse();
        JsonNode over = card(piece).path("passedOver").path(0);
        assertThat(over.path("step").asInt()).isEqualTo(gate);
        assertThat(over.path("who").asString()).isEqualTo("Tove");
    }

    @Test
    void gatesRemindWhereTheHouseWants() throws Exception {
        jdbc.sql("update workshop set gates_remind = true").update();
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        int gate = stepOf(card(piece), "kind", "CHECK");
        doTo(piece, gate);
        assertThat(act(piece, "DONE", gate + 1).body().path("next").asInt()).isEqualTo(gate + 2);
    }

    @Test
    void sentTwiceItIsOneAct() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        UUID key = UUID.randomUUID();
        assertThat(act("Tove", key, piece, "DONE", 0, ", \"seconds\": 40")
                        .body()
                        .path("next")
                        .asInt())
                .isEqualTo(1);
        assertThat(act("Tove", key, piece, "DONE", 0, ", \"seconds\": 40")
                        .body()
                        .path("next")
                        .asInt())
                .isEqualTo(1);
        assertThat(jdbc.sql("select count(*) from bench_act where key = ?")
                        .param(key)
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
        assertThat(act("Tove", UUID.randomUUID(), piece, "DONE", 1, ", \"seconds\": 90000")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void madeBeforeItIsInspectedAndCheckedAfter() throws Exception {
        jdbc.sql("update workshop set checks = true").update();
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        int last = card(piece).path("steps").size() - 1;
        doTo(piece, last);
        assertThat(stage(piece)).isEqualTo("MADE");
        act(piece, "TAKE_BACK", 0);
        assertThat(stage(piece)).as("its last step is taken back").isEqualTo("MAKING");
        doTo(piece, last);
        assertThat(act("Tove", UUID.randomUUID(), piece, "DONE", last, ", \"lengthUm\": 178000")
                        .status())
                .isEqualTo(200);
        assertThat(stage(piece)).isEqualTo("CHECKED");
        assertThat(card(piece).path("inHandOf").asString()).isEmpty();
        act(piece, "TAKE_BACK", 0);
        assertThat(stage(piece)).isEqualTo("MADE");
        Answer back = act("Tove", UUID.randomUUID(), piece, "BACK_TO", last - 3, ", \"reason\": \"a loose end\"");
        assertThat(back.status()).as(back.text()).isEqualTo(200);
        assertThat(stage(piece)).isEqualTo("MAKING");
        assertThat(back.body().path("next").asInt()).isEqualTo(last - 3);
    }

    @Test
    void whatWasSentIsNotWorkedOn() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        doTo(piece, card(piece).path("steps").size());
        tell("/api/pieces/acts", "{\"act\": \"SEND\", \"pieces\": [%d]}".formatted(piece));
        assertThat(act(piece, "TAKE_BACK", 0).body().path("title").asString()).isEqualTo("This piece has gone on");
        assertThat(take("Tove", List.of(piece), false).status()).isEqualTo(409);
    }

    @Test
    void alikePiecesShareACardThatStaysAsItWas() throws Exception {
        take("Tove", pieces, false);
        assertThat(jdbc.sql("select count(distinct card_id) from bench_piece where piece_id in (:p)")
                        .param("p", pieces)
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
        assertThat(card(pieces.get(0)).path("alike").size()).isEqualTo(2);
        assertThatThrownBy(() -> jdbc.sql("delete from bench_act").update())
                .isInstanceOf(DataAccessException.class)
                .hasMessageContaining("not rewritten");
    }

    @Test
    void aStepThatItsActsDoNotTellIsFound() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        jdbc.sql("update bench_piece set next_step = 4 where piece_id = ?")
                .param(piece)
                .update();
        try {
            assertThat(new Verification(jdbc).differences())
                    .anySatisfy(d -> assertThat(d.what()).startsWith("piece " + piece + " is kept at step 4"));
        } finally {
            jdbc.sql("update bench_piece set next_step = 0 where piece_id = ?")
                    .param(piece)
                    .update();
        }
    }

    /** What at least the keep length is left of goes on the shelf with its share, and the piece costs that much less. */
    @Test
    void whatIsLeftOverGoesOnTheShelfOrIsBinned() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        JsonNode before = ask("/api/bench/pieces/" + piece + "/left-over").body();
        long cut = before.path(0).path("cutUm").asLong();
        String paid = money("select (used + tails)::text from piece_actual where piece_id = ?", piece);
        Answer kept = leftOver(piece, """
                {"strand": 0, "left": "45 cm", "how": "MEASURED", "units": "METRIC", "believed": false}
                """);
        assertThat(kept.status()).as(kept.text()).isEqualTo(204);
        JsonNode logged =
                ask("/api/bench/pieces/" + piece + "/left-over").body().path(0).path("logged");
        assertThat(logged.path("fate").asString()).isEqualTo("SHELF");
        assertThat(logged.path("ranShort").asBoolean()).isFalse();
        assertThat(jdbc.sql("""
                        select h.quantity from ledger l join holding h on h.id = l.holding_id where l.movement = 'LEFT' and l.piece_id = ?
                        """).param(piece).query(Long.class).single()).isEqualTo(450_000);
        String returned = money("select sum(value)::text from ledger where movement = 'LEFT' and piece_id = ?", piece);
        String now = money("select (used + tails)::text from piece_actual where piece_id = ?", piece);
        assertThat(new BigDecimal(now).add(new BigDecimal(returned))).isEqualByComparingTo(paid);
        assertThat(cut).isGreaterThan(450_000);
        // A little is thrown away; what was said before is taken back by it.
        assertThat(leftOver(piece, """
                        {"strand": 0, "left": "4 cm", "how": "ABOUT", "units": "METRIC", "believed": true}
                        """).status()).isEqualTo(204);
        JsonNode anew =
                ask("/api/bench/pieces/" + piece + "/left-over").body().path(0).path("logged");
        assertThat(anew.path("fate").asString()).isEqualTo("BIN");
        assertThat(money("select (used + tails)::text from piece_actual where piece_id = ?", piece))
                .isEqualTo(paid);
        assertThat(tell("/api/bench/left-over/" + anew.path("id").asLong() + "/take-back", "{}")
                        .status())
                .isEqualTo(204);
        assertThat(tell("/api/bench/left-over/" + anew.path("id").asLong() + "/take-back", "{}")
                        .status())
                .as("it is taken back already")
                .isEqualTo(409);
        assertThat(ask("/api/bench/pieces/" + piece + "/left-over")
                        .body()
                        .path(0)
                        .has("logged"))
                .isFalse();
    }

    /** The remnant that was there is gone, and the other lies beside what the strand was cut from. */
    @Test
    void whatIsSaidAnewTakesThePlaceOfTheRemnant() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        for (String left : List.of("45 cm", "42 cm", "44 cm")) {
            Answer kept = leftOver(piece, """
                    {"strand": 0, "left": "%s", "how": "MEASURED", "units": "METRIC", "believed": true}
                    """.formatted(left));
            assertThat(kept.status()).as(kept.text()).isEqualTo(204);
        }
        assertThat(jdbc.sql("""
                        select sum(h.quantity) from holding h
                        where exists (select 1 from ledger l where l.holding_id = h.id and l.movement = 'LEFT' and l.piece_id = ?)
                        """).param(piece).query(Long.class).single()).isEqualTo(440_000);
    }

    @Test
    void aFigureThatCannotBeIsAskedAboutAndShortIsBooked() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        Answer more = leftOver(piece, """
                {"strand": 0, "left": "3.2 m", "how": "MEASURED", "units": "METRIC", "believed": true}
                """);
        assertThat(more.status()).isEqualTo(422);
        assertThat(more.field("left").path("remedy").asString()).startsWith("Did you mean 32 cm");
        assertThat(more.field("left").path("meantUm").asLong()).isEqualTo(320_000);
        assertThat(leftOver(piece, """
                        {"strand": 1, "left": "2 mm", "how": "MEASURED", "units": "METRIC", "believed": false}
                        """).status()).isEqualTo(204);
        assertThat(ask("/api/bench/pieces/" + piece + "/left-over")
                        .body()
                        .path(1)
                        .path("logged")
                        .path("ranShort")
                        .asBoolean())
                .isTrue();
    }

    /** 2 mm cord at 2.5 g a metre: 1 g is 400 mm, shared by both strands of both pieces alike. */
    @Test
    void trimmingsAreWeighedTogether() throws Exception {
        List<Long> two = pieces.subList(0, 2);
        take("Tove", two, false);
        for (long piece : two) {
            doTo(piece, card(piece).path("steps").size() - 1);
        }
        jdbc.sql("update article set density_ug_m = 2500000 where code = 'CAC'").update();
        assertThat(ask("/api/bench/pieces/" + pieces.get(0) + "/left-over")
                        .body()
                        .path(0)
                        .path("together"))
                .as("those that are made, and of which nothing is kept")
                .hasSize(2);
        Answer weighed = tell(
                "/api/bench/left-over/weighed",
                "{\"pieces\": %s, \"article\": \"CAC\", \"weight\": \"1 g\", \"units\": \"METRIC\"}".formatted(two));
        assertThat(weighed.status()).as(weighed.text()).isEqualTo(204);
        assertThat(jdbc.sql("select sum(left_um) from left_over_now where piece_id in (:p) and how = 'WEIGHED'")
                        .param("p", two)
                        .query(Long.class)
                        .single())
                .isEqualTo(400_000);
        for (long piece : two) {
            assertThat(ask("/api/bench/pieces/" + piece + "/left-over")
                            .body()
                            .path(0)
                            .path("logged")
                            .path("how")
                            .asString())
                    .isEqualTo("WEIGHED");
        }
    }

    /** One act for the batch, whichever of its pieces it was said at. */
    @Test
    void settingUpTheBenchIsAnActOfItsBatch() throws Exception {
        take("Tove", pieces, false);
        String body = "{\"key\": \"%s\", \"piece\": %d, \"seconds\": 360}".formatted(UUID.randomUUID(), pieces.get(0));
        assertThat(tell("/api/bench/set-ups", body).status()).isEqualTo(204);
        assertThat(tell("/api/bench/set-ups", body).status()).as("sent twice").isEqualTo(204);
        JsonNode setUp = card(pieces.get(1)).path("setUp");
        assertThat(setUp.path("seconds").asInt()).isEqualTo(360);
        assertThat(setUp.path("who").asString()).isEqualTo("Tove");
        String back = "/api/bench/set-ups/" + setUp.path("id").asLong() + "/take-back";
        assertThat(send("Bram", HttpMethod.POST, back, "{}").status())
                .as("somebody else's")
                .isEqualTo(409);
        assertThat(tell(back, "{}").status()).isEqualTo(204);
        assertThat(tell(back, "{}").status()).isEqualTo(409);
        assertThat(card(pieces.get(1)).has("setUp")).isFalse();
        assertThat(tell("/api/bench/set-ups", body.replace("360", "0")).status())
                .isEqualTo(422);
    }

    @Test
    void cardsArePrintedTwoToAPage() throws Exception {
        take("Tove", pieces.subList(0, 1), false);
        String cut = card(pieces.get(0)).path("strands").path(0).path("cutUm").asLong() / 1000 + " mm";
        String all = pieces.stream().map(String::valueOf).collect(Collectors.joining(","));
        assertThat(ask("/api/bench/cards.pdf?pieces=").text()).contains("\"field\":\"pieces\"");
        for (String paper : List.of("A4", "LETTER")) {
            byte[] pdf = mvc().perform(get("/api/bench/cards.pdf?pieces=," + all + "&paper=" + paper)
                            .with(user("Bram").roles("MAKER")))
                    .andReturn()
                    .getResponse()
                    .getContentAsByteArray();
            try (PDDocument document = Loader.loadPDF(pdf)) {
                assertThat(document.getNumberOfPages()).isEqualTo(2);
                PDResources on = document.getPage(0).getResources();
                int drawings = 0;
                for (COSName name : on.getXObjectNames()) {
                    drawings += on.getXObject(name) instanceof PDFormXObject ? 1 : 0;
                }
                assertThat(drawings).as("pictures of the pieces").isEqualTo(2);
                String text = new PDFTextStripper().getText(document);
                assertThat(text)
                        .contains("Snake knots: 1 to 5 of")
                        .contains("Are the first 5 repeats")
                        .contains(cut)
                        .doesNotContain("make.")
                        .doesNotContain("{{");
            }
        }
    }

    /** Two people take the pieces from each other and do what they find; every act is kept once or refused. */
    @Test
    void twoPeopleAtTheSamePieces() throws Exception {
        List<CompletableFuture<Void>> people = new ArrayList<>();
        for (String who : List.of("Tove", "Bram")) {
            Random random = new Random(who.hashCode());
            people.add(CompletableFuture.runAsync(() -> {
                for (int n = 0; n < 40; n++) {
                    somethingAtRandom(who, random);
                }
            }));
        }
        for (CompletableFuture<Void> one : people) {
            one.get();
        }
        assertThat(jdbc.sql("select count(*) from bench_act where piece_id in (:p)")
                        .param("p", pieces)
                        .query(Long.class)
                        .single())
                .isGreaterThan(20);
    }

    private void somethingAtRandom(String who, Random random) {
        try {
            long piece = pieces.get(random.nextInt(pieces.size()));
            JsonNode card = card(piece);
            Answer answer = switch (random.nextInt(8)) {
                case 0, 1 -> take(who, List.of(piece), random.nextBoolean());
                case 2 -> send(who, HttpMethod.POST, "/api/bench/lay-down", "{\"pieces\": [%d]}".formatted(piece));
                case 3 -> act(who, UUID.randomUUID(), piece, "TAKE_BACK", 0, "");
                default ->
                    act(who, UUID.randomUUID(), piece, "DONE", card.path("next").asInt(), "");
            };
            assertThat(answer.status()).as(answer.text()).isIn(200, 204, 404, 409);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }
}
