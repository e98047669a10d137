package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A piece that came back in the wrong size is worked on from what it really is. */
class ResizedTest extends AtTheBench {

    private long tied() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        doTo(piece, card(piece).path("steps").size());
        log(piece, 1);
        return piece;
    }

    private Answer look(long piece, String size) throws Exception {
        return tell("/api/bench/pieces/" + piece + "/resize/look", to(size));
    }

    private static String to(String size) {
        return "{\"size\": \"%s\", \"units\": \"METRIC\"}".formatted(size);
    }

    private Answer resize(long piece, String size, String reason) throws Exception {
        return tell(
                "/api/bench/pieces/" + piece + "/resize",
                "{\"to\": %s, \"reason\": \"%s\"}".formatted(to(size), reason));
    }

    private void say(String act, long piece) throws Exception {
        Answer said = tell("/api/pieces/acts", "{\"act\": \"%s\", \"pieces\": [%d]}".formatted(act, piece));
        assertThat(said.status()).as(said.text()).isLessThan(300);
    }

    private static List<String> fates(JsonNode look) {
        return StreamSupport.stream(look.path("strands").spliterator(), false)
                .map(s -> s.path("fate").asString())
                .toList();
    }

    private String agreed() throws Exception {
        return ask("/api/orders/" + order + "/payments").body().path("agreed").toString();
    }

    @Test
    void whatCameBackTooLargeIsMadeSmallerOutOfItsOwnCord() throws Exception {
        long piece = tied();
        String agreed = agreed();
        say("SEND", piece);
        assertThat(resize(piece, "15 cm", "too wide").status())
                .as("it is with its customer")
                .isEqualTo(409);
        say("COME_BACK", piece);
        JsonNode look = look(piece, "15 cm").body();
        assertThat(look.path("possible").asBoolean()).isTrue();
        assertThat(look.path("expectedUm").asLong())
                .isLessThan(look.path("wasUm").asLong());
        assertThat(fates(look)).contains("KEPT").doesNotContain("JOINED", "NO_WAY");
        assertThat(stage(piece)).as("nothing is kept by looking").isEqualTo("MADE");

        assertThat(resize(piece, "15 cm", " ").text()).contains("\"field\":\"reason\"");
        Answer done = resize(piece, "15 cm", "too wide, says Runa");
        assertThat(done.status()).as(done.text()).isEqualTo(204);
        JsonNode card = card(piece);
        assertThat(card.path("piece").path("stage").asString()).isEqualTo("MAKING");
        assertThat(card.path("inHandOf").asString()).isEqualTo("Tove");
        int back = card.path("next").asInt();
        assertThat(back).isPositive();
        assertThat(card.path("steps").path(back).path("words").asString())
                .isEqualTo(look.path("step").path("words").asString());
        assertThat(card.hasNonNull("last"))
                .as("what was done in the other size is not taken back")
                .isFalse();
        assertThat(card.path("strands").path(0).path("cutUm").asLong())
                .as("a strand is as long as it is")
                .isEqualTo(look.path("strands").path(0).path("thereUm").asLong());

        JsonNode lines = ask("/api/orders/" + order).body().path("lines");
        assertThat(lines).as("in a line of its own").hasSize(2);
        assertThat(lines.path(1).path("quantity").asInt()).isEqualTo(1);
        assertThat(agreed()).as("for what was agreed").isEqualTo(agreed);

        doTo(piece, card.path("steps").size());
        assertThat(stage(piece)).isEqualTo("MADE");
        assertThat(fates(look(piece, "16 cm").body()))
                .as("what was trimmed of it since is gone")
                .contains("JOINED");
        assertThat(ask("/api/bench/pieces/" + piece + "/left-over").body())
                .as("what was left was told once")
                .isEmpty();
        assertThat(jdbc.sql(
                                "select count(*) from observation where piece_id = ? and source = 'STEP' and standing = 'STANDS'")
                        .param(piece)
                        .query(Long.class)
                        .single())
                .as("half a making teaches nobody")
                .isZero();
    }

    @Test
    void whatIsTooShortIsJoinedAtTheBench() throws Exception {
        long piece = tied();
        JsonNode look = look(piece, "18 cm").body();
        assertThat(fates(look)).contains("JOINED");
        assertThat(resize(piece, "18 cm", "too tight").status()).isEqualTo(204);
        JsonNode way = way(piece, "STRAND_SHORT", 0, "SPLICE");
        assertThat(goThatWay(
                                piece,
                                "STRAND_SHORT",
                                0,
                                way,
                                way.path("balanceUm").asLong(),
                                "")
                        .status())
                .isEqualTo(204);
        assertThat(card(piece).path("next").asInt()).isPositive();
    }

    @Test
    void aSizeThatIsNoneIsNamed() throws Exception {
        long piece = tied();
        assertThat(look(piece, "").text()).contains("\"field\":\"size\"");
        assertThat(look(piece, "16 cm").text()).contains("\"field\":\"size\"", "just as it is");
        assertThat(look(piece, "wide").status()).isEqualTo(422);
        assertThat(look(pieces.get(1), "15 cm").status())
                .as("one that is not made yet can be asked about")
                .isEqualTo(200);
        assertThat(resize(pieces.get(1), "15 cm", "too wide").status()).isEqualTo(409);
    }

    /** Of two who say so at once one finds it in work already. */
    @Test
    void itIsResizedOnce() throws Exception {
        long piece = tied();
        List<Answer> both = atOnce(Collections.nCopies(2, () -> resize(piece, "15 cm", "too wide")));
        assertThat(both).extracting(Answer::status).containsExactlyInAnyOrder(204, 409);
    }
}
