package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** What is said beside the steps of a piece. */
class NotesTest extends AtTheBench {

    private Answer note(String who, UUID key, long piece, int step, String more) throws Exception {
        return send(who, HttpMethod.POST, "/api/bench/notes", """
                {"key": "%s", "piece": %d, "step": %d%s}
                """.formatted(key, piece, step, more));
    }

    private static List<String> fields(Answer answer) {
        return answer.body()
                .path("fields")
                .valueStream()
                .map(f -> f.path("field").asString())
                .toList();
    }

    @Test
    void notesMoveNothingAreKeptOnceAndTakenBack() throws Exception {
        long piece = pieces.get(0);
        take("Bram", List.of(piece), false);
        UUID key = UUID.randomUUID();
        String more =
                ", \"insteadOf\": \"DONE\", \"seconds\": 600, \"words\": \"on paper\", \"at\": \"2020-01-02T10:00:00Z\"";
        for (int sent = 0; sent < 2; sent++) {
            assertThat(note("Tove", key, piece, 1, more).status())
                    .as("in Bram's hands")
                    .isEqualTo(204);
        }
        JsonNode card = card(piece);
        assertThat(card.path("next").asInt()).isZero();
        assertThat(card.path("notes")).hasSize(1);
        JsonNode note = card.path("notes").path(0);
        assertThat(note.path("insteadOf").asString()).isEqualTo("DONE");
        assertThat(note.path("seconds").asInt()).isEqualTo(600);
        assertThat(note.path("at").asString()).startsWith("2020-01-02");
        String back = "/api/bench/notes/" + note.path("id").asLong() + "/take-back";
        assertThat(send("Bram", HttpMethod.POST, back, "").status())
                .as("another's")
                .isEqualTo(409);
        assertThat(tell(back, "").status()).isEqualTo(204);
        assertThat(card(piece).path("notes")).isEmpty();
        assertThat(tell(back, "").body().path("code").asString()).isEqualTo("bench.NOTHING_TO_TAKE_BACK");
        assertThat(act("Bram", UUID.randomUUID(), piece, "DONE", 0, "").status())
                .as("the walk goes on")
                .isEqualTo(200);
    }

    @Test
    void aNoteSaysSomethingOfAPieceThatIsBegun() throws Exception {
        long piece = pieces.get(0);
        assertThat(note("Tove", UUID.randomUUID(), piece, 0, ", \"seconds\": 60")
                        .status())
                .as("not begun")
                .isEqualTo(404);
        take("Tove", List.of(piece), false);
        assertThat(fields(note("Tove", UUID.randomUUID(), piece, 0, ", \"words\": \" \"")))
                .containsExactly("words");
        assertThat(fields(note("Tove", UUID.randomUUID(), piece, -1, ", \"seconds\": 0")))
                .containsExactlyInAnyOrder("seconds", "step");
        assertThat(note("Tove", UUID.randomUUID(), piece, 999, ", \"seconds\": 9")
                        .status())
                .isEqualTo(404);
    }
}
