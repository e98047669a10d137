package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** Glue, thread and bags: used up with every piece that calls for them, without being chosen for it. */
class ConsumablesTest extends RestisTest {

    private static final String BEADS = """
            {"pattern": "elastic-beads", "wrist": "14 cm", "colours": ["CL1"],
             "parts": {"bead": {"article": "GL8"}, "cover bead": {"article": "CB10"}}, "units": "METRIC"}
            """;

    private long reserved(String code) {
        return jdbc.sql("""
                        select coalesce(sum(r.quantity), 0) from article_reserved r join article a on a.id = r.article_id
                        where a.code = ?
                        """).param(code).query(Long.class).single();
    }

    private long onHand(String code) throws Exception {
        return ask("/api/stock/articles/" + code)
                .body()
                .path("article")
                .path("onHand")
                .asLong();
    }

    private static JsonNode check(JsonNode checks, String code) {
        for (JsonNode check : checks) {
            if (check.path("subject").asString().startsWith(code)) {
                return check;
            }
        }
        throw new AssertionError("no check of " + code + " in " + checks);
    }

    /** A bag of 500 for 19.00 costs 0.038; two bands of polyester take two of them and no glue. */
    @Test
    void aBagIsPromisedAndTakenWithEachPiece() throws Exception {
        addCord("CS1", "#3A5577", "2 mm");
        receive("CS1", "CS-1", "12 m", "");
        long bags = onHand("BAG1");
        long glue = onHand("GL20");
        long promised = reserved("BAG1");
        long order =
                tell("/api/orders", order("Bags", 2, """
                                {"pattern": "snake", "wrist": "16 cm", "colours": ["CS1", "CS1"], "units": "METRIC"}
                                """)).body().path("id").asLong();
        assertThat(reserved("BAG1") - promised).isEqualTo(2);
        JsonNode sheet = sheet(batchOf(order, 2));
        assertThat(confirm(sheet)).isEqualTo(204);
        assertThat(reserved("BAG1")).isEqualTo(promised);
        assertThat(onHand("BAG1")).isEqualTo(bags - 2);
        assertThat(onHand("GL20")).isEqualTo(glue);
        assertThat(jdbc.sql("""
                        select a.hardware from piece_actual a join piece p on p.id = a.piece_id
                            join order_line l on l.id = p.line_id where l.order_id = ?
                        """).param(order).query(BigDecimal.class).list())
                .containsExactly(new BigDecimal("0.0380"), new BigDecimal("0.0380"));
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    /** Thread that is not on the books: a word on the order, and the piece is cut all the same. */
    @Test
    void noPieceWaitsForWhatTheBooksDoNotHave() throws Exception {
        assertThat(tell("/api/stock/articles", """
                                {"code": "TH9", "kind": "CONSUMABLE", "name": "Whipping thread", "colour": "#EEEEEE", "unit": "METRE",
                                 "uses": {"ELASTIC": "30 cm"}, "units": "METRIC"}
                                """).status()).isEqualTo(201);
        JsonNode checks = tell("/api/orders/trial", "{\"choices\": %s, \"quantity\": 2}".formatted(BEADS))
                .body()
                .path("piece")
                .path("checks");
        JsonNode thread = check(checks, "TH9");
        assertThat(thread.path("verdict").asString()).isEqualTo("TIGHT");
        assertThat(thread.path("lengthsUm").path("needed").asLong()).isEqualTo(600_000);
        long glue = onHand("GL20");
        long order =
                tell("/api/orders", order("Thread", 1, BEADS)).body().path("id").asLong();
        assertThat(ask("/api/orders?query=thread")
                        .body()
                        .path("rows")
                        .path(0)
                        .path("customer")
                        .asString())
                .as("a slot of two words, the cover bead, is listed as any other")
                .isEqualTo("Thread");
        assertThat(confirm(sheet(batchOf(order, 1)))).isEqualTo(204);
        assertThat(onHand("TH9")).isZero();
        // 0.1 ml for the elastic's knot and 0.05 ml for each of two glued ends.
        assertThat(glue - onHand("GL20")).isEqualTo(200);
        assertThat(new Verification(jdbc).differences()).isEmpty();
    }

    @Test
    void whatIsTypedWrongIsToldByItsField() throws Exception {
        Answer unread = tell("/api/stock/articles", """
                {"code": "GL9", "kind": "CONSUMABLE", "name": "Glue", "colour": "#EEEEEE", "unit": "MILLILITRE",
                 "uses": {"END_GLUED": "a drop", "LOOP": "0"}, "units": "METRIC"}
                """);
        assertThat(unread.status()).isEqualTo(422);
        assertThat(unread.field("uses.END_GLUED").toString()).contains("a drop", "0.001 ml", "100000 ml");
        assertThat(unread.field("uses.LOOP").toString()).contains("0");
        Answer unitless = tell("/api/stock/articles", """
                {"code": "GL9", "kind": "CONSUMABLE", "name": "Glue", "colour": "#EEEEEE", "units": "METRIC"}
                """);
        assertThat(unitless.field("unit").toString()).contains("missing");
        long glue = jdbc.sql("select id from article where code = 'GL20'")
                .query(Long.class)
                .single();
        assertThat(tell("/api/stock/receipts", """
                                {"lines": [{"article": %d, "lot": "X", "putUps": 1, "each": "one bottle", "price": "5", "units": "METRIC"}]}
                                """.formatted(glue))
                        .field("lines[0].each")
                        .toString())
                .contains("one bottle");
    }

    @Test
    void aFileSetsWhatAPieceTakesButNotTheUnit() throws Exception {
        String file = """
                code,kind,name,colour,unit,use
                GL20,consumable,Cord glue,#D9CFA8,gram,end glued: 0.05 g
                NEW9,consumable,Wax,#D9CFA8,gram,end glued: 0.2 g; buckle: 1 g
                BAD9,consumable,Wax,#D9CFA8,gram,every friday: 1 g
                """;
        JsonNode rows = upload("/api/stock/articles-file/preview?units=METRIC", file.getBytes(StandardCharsets.UTF_8))
                .body()
                .path("rows");
        assertThat(rows.path(0).path("problems").toString()).contains("another unit");
        assertThat(rows.path(1).path("state").asString()).isEqualTo("NEW");
        assertThat(rows.path(2).path("problems").toString()).contains("every friday: 1 g");
        upload("/api/stock/articles-file?units=METRIC&take=NEW", file.getBytes(StandardCharsets.UTF_8));
        assertThat(ask("/api/stock/articles/NEW9").body().path("uses"))
                .extracting(u -> u.path("occasion").asString() + " " + u.path("quantity"))
                .containsExactly("BUCKLE 1000", "END_GLUED 200");
    }

    /** The second of two who read the same card is told, and what the first kept stays. */
    @Test
    void anArticleIsChangedByWhoReadItLast() throws Exception {
        String wax = """
                {"code": "WX9", "kind": "CONSUMABLE", "name": "%s", "colour": "#EEEEEE", "unit": "GRAM",
                 "uses": {"NOOSE": "%s"}, "units": "METRIC"}
                """;
        assertThat(tell("/api/stock/articles", wax.formatted("Wax", "1 g")).status())
                .isEqualTo(201);
        int version = ask("/api/stock/articles/WX9").body().path("version").asInt();
        String change = "/api/stock/articles?version=" + version;
        assertThat(send(HttpMethod.PUT, change, wax.formatted("Bee wax", "0.5 g"))
                        .status())
                .isEqualTo(204);
        assertThat(send(HttpMethod.PUT, change, wax.formatted("Hard wax", "2 g"))
                        .status())
                .isEqualTo(409);
        JsonNode card = ask("/api/stock/articles/WX9").body();
        assertThat(card.path("article").path("name").asString()).isEqualTo("Bee wax");
        assertThat(card.path("uses").path(0).path("quantity").asLong()).isEqualTo(500);
        String again = "/api/stock/articles?version=" + card.path("version").asInt();
        assertThat(send(HttpMethod.PUT, again, wax.formatted("Bee wax", "lots")).status())
                .isEqualTo(422);
        assertThat(send(HttpMethod.PUT, again, wax.formatted("Bee wax", "1 g").replace("GRAM", "PIECE"))
                        .status())
                .isEqualTo(422);
    }
}
