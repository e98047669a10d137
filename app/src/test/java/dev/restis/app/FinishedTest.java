package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** What is made goes out: parcels, papers, payments and messages. */
class FinishedTest extends Outgoing {

    private JsonNode row() throws Exception {
        return StreamSupport.stream(
                        ask("/api/finished?query=sefa cards")
                                .body()
                                .path("rows")
                                .spliterator(),
                        false)
                .filter(r -> r.path("order").asLong() == order)
                .findFirst()
                .orElseThrow(() -> new AssertionError("the order is not among what is finished"));
    }

    private boolean lies() throws Exception {
        return ask("/api/finished?query=sefa cards")
                .body()
                .path("rows")
                .findValuesAsString("order")
                .contains(String.valueOf(order));
    }

    @Test
    void anOrderGoesOutInParts() throws Exception {
        assertThat(lies()).isFalse();
        finish(2);
        JsonNode here = row().path("onward");
        assertThat(here.path("here").asInt()).isEqualTo(2);
        assertThat(here.path("missing").asInt()).isEqualTo(1);
        assertThat(here.hasNonNull("next")).as("the rest is waited for").isFalse();
        assertThat(here.path("sendable").asInt()).isEqualTo(2);

        Answer sent = parcel(
                pieces.subList(0, 2), ", \"way\": \" Post \", \"tracking\": \"SQ 12\", \"note\": \"first part\"");
        assertThat(sent.status()).as(sent.text()).isEqualTo(201);
        JsonNode after = finished();
        assertThat(after.path("parcels")).hasSize(1);
        assertThat(after.path("parcels").path(0).path("way").asString()).isEqualTo("Post");
        assertThat(after.path("parcels").path(0).path("pieces").asInt()).isEqualTo(2);
        assertThat(after.path("onward").path("sent").asInt()).isEqualTo(2);
        assertThat(lies()).as("what lies here no more").isFalse();

        assertThat(pieceAct("FINISH", pieces.subList(2, 3)).status()).isEqualTo(204);
        assertThat(row().path("onward").path("next").asString()).isEqualTo("SEND");
    }

    @Test
    void whateverIsSentLiesInAParcel() throws Exception {
        finish(3);
        assertThat(pieceAct("SEND", pieces.subList(0, 2)).status()).isEqualTo(204);
        assertThat(tell("/api/orders/" + order + "/acts/DISPATCH", "").status()).isEqualTo(204);
        JsonNode parcels = finished().path("parcels");
        assertThat(parcels.findValuesAsString("pieces")).containsExactly("1", "2");
        assertThat(parcels.path(0).path("sentOn").asString())
                .isEqualTo(LocalDate.now().toString());
    }

    @Test
    void aParcelIsTakenBackSetRightAndComesBack() throws Exception {
        finish(3);
        long parcel = parcel(pieces, ", \"way\": \"Post\"").body().path("id").asLong();
        assertThat(send("Tove", HttpMethod.PUT, "/api/finished/parcels/" + parcel, """
                        {"way": "Courier", "tracking": "K-7", "sentOn": "%s", "version": 0}
                        """.formatted(
                                        LocalDate.now().minusDays(1)))
                        .status())
                .isEqualTo(204);
        assertThat(send(
                                "Bram",
                                HttpMethod.PUT,
                                "/api/finished/parcels/" + parcel,
                                "{\"way\": \"Post\", \"version\": 0}")
                        .status())
                .as("Bram saw it as it was before")
                .isEqualTo(409);
        assertThat(send("Bram", HttpMethod.POST, "/api/finished/parcels/" + parcel + "/take-back", "")
                        .status())
                .as("it is Tove's")
                .isEqualTo(409);
        assertThat(pieceAct("COME_BACK", pieces.subList(0, 1)).status()).isEqualTo(204);
        JsonNode after = finished();
        assertThat(after.path("parcels").path(0).path("pieces").asInt()).isEqualTo(2);
        assertThat(after.path("parcels").path(0).path("takenOut").asInt()).isEqualTo(1);
        assertThat(after.path("onward").path("here").asInt()).isEqualTo(1);
        assertThat(tell("/api/finished/parcels/" + parcel + "/take-back", "").status())
                .isEqualTo(204);
        assertThat(finished().path("onward").path("here").asInt()).isEqualTo(3);
        assertThat(tell("/api/finished/parcels/" + parcel + "/take-back", "").status())
                .as("nothing is left in it")
                .isEqualTo(409);
    }

    @Test
    void whatCameBackByMistakeLiesInItsParcelAgain() throws Exception {
        finish(3);
        parcel(pieces, "");
        pieceAct("COME_BACK", pieces.subList(0, 1));
        long event = StreamSupport.stream(
                        ask("/api/orders/" + order + "/pieces")
                                .body()
                                .path("rows")
                                .spliterator(),
                        false)
                .map(r -> r.path("piece"))
                .filter(p -> p.path("piece").asLong() == pieces.get(0))
                .findFirst()
                .orElseThrow()
                .path("last")
                .path("event")
                .asLong();
        assertThat(tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(event))
                        .status())
                .isEqualTo(204);
        assertThat(finished().path("parcels").path(0).path("pieces").asInt()).isEqualTo(3);
    }

    @Test
    void aParcelIsRefusedWithItsReason() throws Exception {
        finish(2);
        assertThat(parcel(pieces, "").status()).as("one is not made").isEqualTo(409);
        assertThat(parcel(List.of(), "").status()).isEqualTo(422);
        assertThat(parcel(pieces.subList(0, 1), ", \"sentOn\": \"2099-01-01\"").text())
                .contains("\"field\":\"sentOn\"");
        assertThat(tell("/api/finished/999999/parcels", "{\"pieces\": [%d]}".formatted(pieces.get(0)))
                        .status())
                .isEqualTo(409);
        assertThat(finished().path("parcels")).as("nothing left").isEmpty();
    }

    @Test
    void twoWhoSendTheSameAtOnceMakeOneParcel() throws Exception {
        finish(3);
        List<Callable<Integer>> both = List.of(
                () -> parcel(pieces, "").status(), () -> parcel(pieces, "").status());
        assertThat(atOnce(both)).containsExactlyInAnyOrder(201, 409);
        assertThat(finished().path("parcels")).hasSize(1);
    }

    @Test
    void anOrderLeavesInTimeToArrive() throws Exception {
        assertThat(send("Tove", HttpMethod.PUT, "/api/ways", """
                        {"ways": [{"name": "Post", "days": 3}, {"name": "post", "days": 70}], "revision": 0}
                        """).text()).contains("ways[1].name", "ways[1].days");
        int revision = ask("/api/ways").body().path("revision").asInt();
        assertThat(send("Tove", HttpMethod.PUT, "/api/ways", """
                        {"ways": [{"name": "Post", "days": 3}, {"name": "Courier", "days": 1}], "revision": %d}
                        """.formatted(revision))
                        .status())
                .isEqualTo(200);
        assertThat(send("Bram", HttpMethod.PUT, "/api/ways", "{\"ways\": [], \"revision\": 1}")
                        .status())
                .isEqualTo(403);
        String due = ask("/api/orders/" + order).body().path("due").asString("");
        LocalDate arrives = LocalDate.now().plusDays(20);
        assertThat(arrival("Post", 3, arrives, due).status()).isEqualTo(204);
        JsonNode after = ask("/api/orders/" + order).body();
        assertThat(after.path("due").asString()).isEqualTo(arrives.minusDays(3).toString());
        assertThat(after.path("arrives").asString()).isEqualTo(arrives.toString());
        assertThat(after.path("history").path(0).path("what").asString()).isEqualTo("LEAVES");
        assertThat(arrival("Courier", 1, arrives, due).status())
                .as("whoever saw another day is told")
                .isEqualTo(409);
        assertThat(arrival(
                                "Post",
                                3,
                                LocalDate.now().plusDays(1),
                                arrives.minusDays(3).toString())
                        .text())
                .contains("\"field\":\"arrives\"");
    }

    private Answer arrival(String way, int days, LocalDate arrives, String due) throws Exception {
        return send("Tove", HttpMethod.PUT, "/api/orders/" + order + "/arrival", """
                {"way": "%s", "days": %d, "arrives": "%s"%s}
                """.formatted(
                        way, days, arrives, due.isEmpty() ? "" : ", \"due\": \"" + due + "\""));
    }

    @Test
    void whatIsPaidIsNotedAndTakenBack() throws Exception {
        JsonNode before = ask("/api/orders/" + order + "/payments").body();
        double agreed = before.path("agreed").asDouble();
        assertThat(agreed).isPositive();
        assertThat(before.path("open").asDouble()).isEqualTo(agreed);
        long first = pay("5,50", false).body().path("id").asLong();
        assertThat(pay("1.00", true).status()).isEqualTo(201);
        JsonNode after = ask("/api/orders/" + order + "/payments").body();
        assertThat(after.path("paid").asDouble()).isEqualTo(4.5);
        assertThat(after.path("open").asDouble()).isEqualTo(agreed - 4.5);
        assertThat(tell("/api/orders/" + order + "/payments/" + first + "/withdraw", "")
                        .status())
                .isEqualTo(204);
        assertThat(tell("/api/orders/" + order + "/payments/" + first + "/withdraw", "")
                        .status())
                .isEqualTo(409);
        assertThat(ask("/api/orders/" + order + "/payments").body().path("paid").asDouble())
                .isEqualTo(-1.0);
        assertThat(pay("0", false).status()).isEqualTo(422);
        assertThat(pay("1.005", false).text()).contains("\"field\":\"amount\"");
        assertThat(pay("ten", false).status()).isEqualTo(422);
        finish(1);
        assertThat(row().path("open").asDouble()).isEqualTo(agreed + 1);
    }

    private Answer pay(String amount, boolean back) throws Exception {
        return tell("/api/orders/" + order + "/payments", """
                {"amount": "%s", "how": "CASH", "back": %s}
                """.formatted(amount, back));
    }

    @Test
    void aLotLeadsToEveryPieceOrderAndCustomer() throws Exception {
        finish(3);
        parcel(pieces.subList(0, 1), "");
        long lot = jdbc.sql("""
                        select distinct h.lot_id from ledger g join holding h on h.id = g.holding_id
                        where g.piece_id = ? and g.movement = 'CUT'
                        """).param(pieces.get(0)).query(Long.class).single();
        List<JsonNode> rows = all("/api/stock/lots/" + lot + "/pieces?", "rows").stream()
                .filter(r -> r.path("order").asLong() == order)
                .toList();
        assertThat(rows).extracting(r -> r.path("piece").asLong()).containsExactlyElementsOf(pieces);
        assertThat(rows.get(0).path("customer").asString()).isEqualTo("Sefa Cards");
        assertThat(rows.get(0).path("sentOn").asString())
                .isEqualTo(LocalDate.now().toString());
        assertThat(rows.get(1).hasNonNull("sentOn")).isFalse();
        long cut = jdbc.sql("select sum(cut_um) from strand where piece_id = ?")
                .param(pieces.get(0))
                .query(Long.class)
                .single();
        assertThat(rows.get(0).path("quantity").asLong()).isEqualTo(cut);
        assertThat(ask("/api/stock/lots/" + lot + "/pieces.csv").text())
                .contains("lot,article,piece,", "Sefa Cards", "CAC");
        assertThat(ask("/api/stock/lots/999999/pieces").status()).isEqualTo(404);
    }
}
