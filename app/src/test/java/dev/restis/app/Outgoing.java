package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** With three pieces that are cut, of a house that has an address. */
abstract class Outgoing extends AtTheBench {

    @BeforeEach
    void theHouseHasAnAddress() throws Exception {
        JsonNode house = ask("/api/house").body();
        assertThat(send("Tove", HttpMethod.PUT, "/api/house", """
                        {"name": "Ullin Bench", "currency": "EUR", "zone": "%s", "address": "Net Lane 3\\nSkarrow Quay", "revision": %d}
                        """.formatted(
                                        house.path("zone").asString(),
                                        house.path("revision").asInt()))
                        .status())
                .isEqualTo(200);
    }

    @AfterEach
    void noSteps() {
        jdbc.sql("update workshop set packs = false, address = ''").update();
        jdbc.sql("delete from way").update();
    }

    Answer pieceAct(String act, List<Long> which) throws Exception {
        return tell("/api/pieces/acts", "{\"act\": \"%s\", \"pieces\": %s}".formatted(act, which));
    }

    void finish(int count) throws Exception {
        assertThat(pieceAct("FINISH", pieces.subList(0, count)).status()).isEqualTo(204);
    }

    Answer parcel(List<Long> which, String more) throws Exception {
        return tell("/api/finished/" + order + "/parcels", "{\"pieces\": %s%s}".formatted(which, more));
    }

    JsonNode finished() throws Exception {
        return ask("/api/finished/" + order).body();
    }
}
