package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

/** What goes wrong at the bench, and the ways out of it. */
class MishapsTest extends AtTheBench {

    @Override
    String choices() {
        return """
                {"pattern": "square-bar", "wrist": "16.5 cm", "colours": ["CAC", "CAC"], "units": "METRIC",
                 "parts": {"bead": {"article": "HB9", "count": 2}}}
                """;
    }

    private long beads(String movements) {
        return jdbc.sql("""
                        select %s from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where a.code = 'HB9'
                        """.formatted(movements)).query(Long.class).single();
    }

    /** One bead of two is as good as new; when the piece is not given up after all, it has both again. */
    @Test
    void whatCanBeUsedAgainGoesBackByCount() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        long before = beads("sum(h.quantity)");
        String paid = money("select hardware::text from piece_actual where piece_id = ?", piece);
        JsonNode way = way(piece, "CORD_DAMAGED", 0, "GIVE_UP");
        JsonNode on = way.path("parts").path(0);
        assertThat(on.path("articleCode").asString()).isEqualTo("HB9");
        assertThat(on.path("most").asInt()).isEqualTo(2);
        String back = ", \"parts\": [{\"article\": %d, \"count\": %d}]";
        Answer tooMany = goThatWay(
                piece,
                "CORD_DAMAGED",
                0,
                way,
                0,
                "burnt",
                back.formatted(on.path("article").asLong(), 3));
        assertThat(tooMany.status()).isEqualTo(422);
        assertThat(stage(piece)).isEqualTo("MAKING");
        assertThat(goThatWay(
                                piece,
                                "CORD_DAMAGED",
                                0,
                                way,
                                0,
                                "burnt",
                                back.formatted(on.path("article").asLong(), 1))
                        .status())
                .isEqualTo(204);
        assertThat(beads("sum(h.quantity)")).isEqualTo(before + 1);
        assertThat(new BigDecimal(money("select hardware::text from piece_actual where piece_id = ?", piece)))
                .isLessThan(new BigDecimal(paid));

        long event = jdbc.sql("select max(id) from piece_event where piece_id = ?")
                .param(piece)
                .query(Long.class)
                .single();
        assertThat(tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(event))
                        .status())
                .isEqualTo(204);
        assertThat(beads("sum(h.quantity)")).isEqualTo(before);
        assertThat(money("select hardware::text from piece_actual where piece_id = ?", piece))
                .isEqualTo(paid);
    }

    @Test
    void aBrokenPartIsReplacedByOneOfItsKind() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        doTo(piece, stepOf(card(piece), "gate", "HALF_WAY"));
        long before = beads("sum(h.quantity)");
        JsonNode way = way(piece, "PART_BROKEN", 0, "NEW_PART");
        assertThat(way.path("part").asString()).isEqualTo("bead");
        assertThat(way.path("cost").decimalValue()).isPositive();
        assertThat(goThatWay(piece, "PART_BROKEN", 0, way, 0, "cracked", ", \"part\": \"clip\"")
                        .status())
                .as("it has none")
                .isEqualTo(409);
        assertThat(goThatWay(piece, "PART_BROKEN", 0, way, 0, "cracked", ", \"part\": \"bead\"")
                        .status())
                .isEqualTo(204);
        assertThat(beads("sum(h.quantity)")).isEqualTo(before - 1);
        assertThat(card(piece).path("next").asInt())
                .isEqualTo(way.path("backTo").asInt());
    }

    /** Counted by what it was made of, by whom and after which pattern; what was taken back is not counted. */
    @Test
    void whatWentWrongIsCounted() throws Exception {
        JsonNode before = tale("PATTERN", "square-bar");
        long piece = pieces.get(0);
        take("Bram", List.of(piece), false);
        take("Tove", List.of(piece), true);
        doTo(piece, card(piece).path("steps").size() - 1);
        assertThat(act("Tove", UUID.randomUUID(), piece, "BACK_TO", 5, ", \"reason\": \"a gap at the bead\"")
                        .status())
                .isEqualTo(200);
        JsonNode after = tale("PATTERN", "square-bar");
        assertThat(after.path("made").asInt() - before.path("made").asInt()).isEqualTo(1);
        assertThat(after.path("redone").asInt() - before.path("redone").asInt()).isEqualTo(1);
        JsonNode reason = after.path("reasons").path(0);
        assertThat(reason.path("kind").asString()).isEqualTo("REDO");
        assertThat(reason.path("reason").asString()).isEqualTo("a gap at the bead");
        assertThat(tale("MAKER", "Bram").path("redone").asInt())
                .as("whoever began it")
                .isPositive();
        assertThat(tale("MATERIAL", "polyester").path("redone").asInt()).isPositive();

        assertThat(act(piece, "TAKE_BACK", 0).status()).isEqualTo(200);
        JsonNode again = tale("PATTERN", "square-bar");
        assertThat(again.path("made").asInt() - before.path("made").asInt()).isEqualTo(1);
        assertThat(again.path("redone").asInt()).isEqualTo(before.path("redone").asInt());
        assertThat(stage(piece)).isEqualTo("MADE");
        assertThat(ask("/api/bench/tales?by=PATTERN&days=0").status()).isEqualTo(422);
    }

    private JsonNode tale(String by, String key) throws Exception {
        return all("/api/bench/tales?by=" + by + "&", "rows").stream()
                .filter(row -> row.path("key").asString().equals(key))
                .findFirst()
                .orElse(MissingNode.getInstance());
    }

    /** With a minute a day left for it, an hour more moves the day; every way says so before it is taken. */
    @Test
    void eachWaySaysItsDayAndItsScrap() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        doTo(piece, stepOf(card(piece), "gate", "HALF_WAY"));
        JsonNode fresh = way(piece, "STRAND_SHORT", 0, "NEW_STRAND");
        assertThat(fresh.path("scrapUm").asLong())
                .isEqualTo(card(piece).path("strands").path(0).path("cutUm").asLong());
        JsonNode unpicked = way(piece, "STRAND_SHORT", 0, "UNPICK");
        assertThat(unpicked.path("scrapUm").asLong()).isZero();
        String now = unpicked.path("readyNow").asString();
        assertThat(now).matches("\\d{4}-\\d{2}-\\d{2}");
        assertThat(way(piece, "STRAND_SHORT", 0, "GIVE_UP").path("readyThen").asString())
                .isGreaterThanOrEqualTo(now);
    }

    /** A new strand comes from the shelf as it was looked at, goes to the piece's cost, and is tied from where it came in. */
    @Test
    void aStrandThatRanShortIsCutAnewIfTheShelfIsAsItWas() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        int half = stepOf(card(piece), "gate", "HALF_WAY");
        doTo(piece, half);
        String paid = money("select (used + tails)::text from piece_actual where piece_id = ?", piece);
        JsonNode way = way(piece, "STRAND_SHORT", 0, "NEW_STRAND");
        assertThat(way.path("possible").asBoolean()).isTrue();
        assertThat(way.path("sameLot").asBoolean()).isTrue();
        assertThat(way.path("seconds").asLong()).isPositive();
        long balance = way.path("balanceUm").asLong();
        assertThat(goThatWay(piece, "STRAND_SHORT", 0, way, balance - 1, "")
                        .body()
                        .path("title")
                        .asString())
                .as("somebody cut from it meanwhile")
                .isEqualTo("The shelf has changed since this was planned");
        Answer gone = goThatWay(piece, "STRAND_SHORT", 0, way, balance, "it was cut short");
        assertThat(gone.status()).as(gone.text()).isEqualTo(204);
        assertThat(card(piece).path("next").asInt())
                .isEqualTo(way.path("backTo").asInt());
        String now = money("select (used + tails)::text from piece_actual where piece_id = ?", piece);
        assertThat(new BigDecimal(now)).isGreaterThan(new BigDecimal(paid));
        BigDecimal scrap = new BigDecimal(money("select scrap::text from piece_actual where piece_id = ?", piece));
        // Of the same lot: what the new strand cost, the old one had cost, but for the last figure of its share.
        assertThat(scrap)
                .isPositive()
                .isCloseTo(new BigDecimal(now).subtract(new BigDecimal(paid)), within(new BigDecimal("0.0001")));
        assertThat(jdbc.sql("""
                        select mishap || ' ' || reason from bench_act where piece_id = ? and act = 'NEW_STRAND'
                        """).param(piece).query(String.class).single()).isEqualTo("STRAND_SHORT it was cut short");
    }

    @Test
    void unpickedItStandsAtAnEarlierStep() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        int half = stepOf(card(piece), "gate", "HALF_WAY");
        doTo(piece, half);
        JsonNode way = way(piece, "TENSION_UNEVEN", 0, "UNPICK");
        assertThat(goThatWay(piece, "TENSION_UNEVEN", 0, way, 0, "").status()).isEqualTo(204);
        assertThat(card(piece).path("next").asInt()).isEqualTo(half - 1);
    }

    @Test
    void givenUpForAReasonAnotherTakesItsPlace() throws Exception {
        long piece = pieces.get(0);
        take("Tove", List.of(piece), false);
        JsonNode way = way(piece, "CORD_DAMAGED", 0, "GIVE_UP");
        assertThat(goThatWay(piece, "CORD_DAMAGED", 0, way, 0, " ").status()).isEqualTo(422);
        assertThat(goThatWay(piece, "CORD_DAMAGED", 0, way, 0, "burnt").status())
                .isEqualTo(204);
        assertThat(stage(piece)).isEqualTo("GIVEN_UP");
        assertThat(money(
                        "select used || ' ' || (scrap = tails and scrap > 0) from piece_actual where piece_id = ?",
                        piece))
                .isEqualTo("0.0000 true");
        assertThat(jdbc.sql("select count(*) from piece where replaces = ?")
                        .param(piece)
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
    }
}
