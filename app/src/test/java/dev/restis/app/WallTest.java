package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The wall, a stretch of it at a time. */
class WallTest extends RestisTest {

    private JsonNode wall(String query) throws Exception {
        Answer answer = ask("/api/stock/wall?" + query);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.body();
    }

    private static List<String> codes(JsonNode wall) {
        List<String> codes = new ArrayList<>();
        wall.path("articles").forEach(a -> codes.add(a.path("code").asString()));
        return codes;
    }

    @Test
    void stretchesFollowEachOtherAndMakeUpTheWhole() throws Exception {
        List<String> whole = codes(wall("size=500"));
        List<String> parts = new ArrayList<>();
        int total = wall("size=1").path("total").asInt();
        for (int from = 0; from < total; from += 7) {
            parts.addAll(codes(wall("size=7&from=" + from)));
        }
        assertThat(parts).isEqualTo(whole).hasSize(total).doesNotHaveDuplicates();
        assertThat(wall("from=100000").path("articles")).isEmpty();
    }

    /** Night Tide is #22365C: of the demo's cords nothing is nearer to a slightly other dark blue. */
    @Test
    void theNearestColoursHangFirst() throws Exception {
        assertThat(codes(wall("near=25385E&query=2"))).startsWith("NT2");
        assertThat(codes(wall("near=C4472E"))).startsWith("EM2", "EM3");
        assertThat(ask("/api/stock/wall?near=blueish").status()).isEqualTo(422);
    }

    @Test
    void wordsAndShelvesNarrowIt() throws Exception {
        assertThat(codes(wall("query=heather"))).containsExactlyInAnyOrder("HE2", "HE25");
        assertThat(codes(wall("query=NIGHT tide"))).containsExactly("NT2");
        assertThat(codes(wall("query=_"))).isEmpty();
        assertThat(codes(wall("shelf=a1"))).contains("NT2").doesNotContain("EM2");
        assertThat(codes(wall("shelf=nowhere"))).isEmpty();
    }

    @Test
    void fewHoldingsOfEachAreShownAndAllAreCounted() throws Exception {
        addCord("WL1", "#123456", "2 mm");
        for (int i = 0; i < 4; i++) {
            receive("WL1", "L-" + i, (i + 1) + " m", "");
        }
        JsonNode wall = wall("query=WL1&each=2");
        long id = wall.path("articles").path(0).path("id").asLong();
        assertThat(wall.path("holdings")).hasSize(2);
        assertThat(wall.path("held").path(String.valueOf(id)).asInt()).isEqualTo(4);
        assertThat(wall.path("articles").path(0).path("onHand").asLong()).isEqualTo(10_000_000);
        assertThat(wall("query=WL1").path("holdings")).hasSize(4);
        assertThat(wall("query=WL1").path("longestUm").asLong()).isEqualTo(4_000_000);
    }
}
