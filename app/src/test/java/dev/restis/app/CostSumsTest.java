package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** 1,001 pieces in two months: whatever one looks at them by, they come to the same, to a hundredth of a cent. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CostSumsTest extends RestisTest {

    private static final YearMonth THIS = YearMonth.now();
    private static final YearMonth LAST = THIS.minusMonths(1);
    private long first;
    private long second;

    @BeforeAll
    void manyPieces() throws Exception {
        addCord("SUM", "#3F5E73", "2 mm");
        receive("SUM", "SUM-1", "1500 m", "");
        receive("SUM", "SUM-2", "1500 m", "");
        receive("SUM", "SUM-3", "1500 m", "");
        first = take(501);
        second = take(500);
        confirm(sheet(batchOf(first, 501)));
        confirm(sheet(batchOf(second, 500)));
        earlier();
    }

    private long take(int pieces) throws Exception {
        return tell("/api/orders", order("Sefa Sums " + pieces, pieces, """
                        {"pattern": "snake", "wrist": "16 cm", "colours": ["SUM", "SUM"], "units": "METRIC"}
                        """))
                .body()
                .path("id")
                .asLong();
    }

    /** What was cut for the first order was cut last month. */
    private void earlier() {
        String pieces =
                "(select p.id from piece p join order_line l on l.id = p.line_id where l.order_id = " + first + ")";
        String lists =
                "(select cb.cut_list_id from cut_list_batch cb join piece p on p.batch_id = cb.batch_id where p.id in "
                        + pieces + ")";
        String moment = "at = date_trunc('month', at) - interval '9 days'";
        jdbc.sql("update piece_cost set %s where piece_id in %s or cut_list_id in %s".formatted(moment, pieces, lists))
                .update();
        jdbc.sql("alter table ledger disable trigger all").update();
        jdbc.sql("""
                        update ledger set %s where piece_id in %s or cut_step_id in
                            (select t.id from cut_step t join cut_spool s on s.id = t.cut_spool_id where s.cut_list_id in %s)
                        """.formatted(moment, pieces, lists)).update();
        jdbc.sql("alter table ledger enable trigger all").update();
    }

    @AfterAll
    void goneAgain() {
        assertThat(new Verification(jdbc).differences()).isEmpty();
        forgetOrders("customer like 'Sefa Sums%'");
    }

    private static String days(YearMonth from, YearMonth to) {
        return "&from=" + from.atDay(1) + "&to=" + to.atEndOfMonth();
    }

    private List<JsonNode> rows(String by, String more) throws Exception {
        return all("/api/costs/sums?by=" + by + more, "rows");
    }

    private static BigDecimal sum(List<JsonNode> rows, String part) {
        return rows.stream().map(r -> r.path(part).decimalValue()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    @ParameterizedTest
    @ValueSource(strings = {"LINE", "ORDER", "CUSTOMER", "PATTERN", "BATCH", "MONTH", "MAKER", "ARTICLE"})
    void everyViewComesToTheSame(String by) throws Exception {
        for (String days : List.of(days(LAST, LAST), days(THIS, THIS), days(LAST, THIS))) {
            BigDecimal total = ask("/api/costs/sums?by=ORDER" + days)
                    .body()
                    .path("total")
                    .path("total")
                    .decimalValue();
            List<JsonNode> rows = rows(by, days);
            assertThat(sum(rows, "total")).as(by + days).isEqualByComparingTo(total);
            BigDecimal parts = List.of("used", "tails", "trimmed", "scrap", "waste", "parts", "consumables").stream()
                    .map(part -> sum(rows, part))
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            assertThat(parts).as("the parts of " + by).isEqualByComparingTo(total);
        }
    }

    @Test
    void pieceByPieceItComesToTheSameToo() throws Exception {
        List<JsonNode> rows = rows("PIECE", "&within=CUSTOMER&key=" + customer(first) + days(LAST, THIS));
        assertThat(rows).hasSize(501);
        BigDecimal ofOrder = rows("ORDER", "&within=CUSTOMER&key=" + customer(first) + days(LAST, THIS))
                .get(0)
                .path("total")
                .decimalValue();
        assertThat(sum(rows, "total")).isEqualByComparingTo(ofOrder);
        long piece = rows.get(0).path("key").asLong();
        JsonNode changes = ask("/api/costs/pieces/" + piece + "/changes").body().path("rows");
        BigDecimal changed = BigDecimal.ZERO;
        for (JsonNode change : changes) {
            for (String part : List.of("used", "tails", "trimmed", "scrap", "waste", "hardware")) {
                changed = changed.add(change.path(part).decimalValue());
            }
        }
        assertThat(changed)
                .as("the rows that its figure opens down to")
                .isEqualByComparingTo(rows.get(0).path("total").decimalValue());
    }

    private long customer(long order) {
        return jdbc.sql("select customer_id from customer_order where id = ?")
                .param(order)
                .query(Long.class)
                .single();
    }

    @Test
    void aMonthStandsBesideTheDaysBefore() throws Exception {
        Map<String, JsonNode> byMonth = rows("MONTH", days(LAST, THIS)).stream()
                .collect(Collectors.toMap(r -> r.path("key").asString(), r -> r));
        assertThat(byMonth).containsOnlyKeys(LAST.toString(), THIS.toString());
        JsonNode line = rows("ORDER", days(THIS, THIS)).stream()
                .filter(r -> r.path("key").asLong() == second)
                .findFirst()
                .orElseThrow();
        assertThat(line.path("before").decimalValue())
                .as("nothing of it was cut before")
                .isZero();
        assertThat(line.path("pieces").asInt()).isEqualTo(500);
        assertThat(line.path("estimated").decimalValue()).isPositive();
        JsonNode whole =
                ask("/api/costs/sums?by=ORDER" + days(THIS, THIS)).body().path("total");
        assertThat(whole.path("before").decimalValue()).isPositive();
    }

    @Test
    void byMonthIsByTwelveOfThemWhereNobodySaysOtherwise() throws Exception {
        assertThat(ask("/api/costs/sums?by=MONTH").body().path("from").asString())
                .isEqualTo(THIS.minusMonths(11).atDay(1).toString());
        assertThat(rows("MONTH", "").stream().map(r -> r.path("key").asString()))
                .contains(LAST.toString(), THIS.toString());
        assertThat(ask("/api/costs/sums?by=ORDER").body().path("from").asString())
                .isEqualTo(THIS.atDay(1).toString());
    }

    @Test
    void onlyTheOwnerSeesWhoCostWhat() throws Exception {
        assertThat(send("Bram", HttpMethod.GET, "/api/costs/sums?by=MAKER", "").status())
                .isEqualTo(403);
        assertThat(send("Bram", HttpMethod.GET, "/api/costs/sums?by=PIECE&within=MAKER&key=Tove", "")
                        .status())
                .isEqualTo(403);
        assertThat(send("Bram", HttpMethod.GET, "/api/costs/sums?by=ORDER", "").status())
                .isEqualTo(200);
    }

    @Test
    void aPartIsNotLookedAtByArticle() throws Exception {
        for (String query : List.of("by=ARTICLE&within=PATTERN&key=snake", "by=PATTERN&within=ARTICLE&key=NT2")) {
            for (String as : List.of("sums", "sums.csv")) {
                assertThat(ask("/api/costs/" + as + "?" + query).text())
                        .as(as + " " + query)
                        .contains("\"field\":\"within\"");
            }
        }
    }

    @Test
    void daysThatCannotBeAreNamed() throws Exception {
        assertThat(ask("/api/costs/sums?from=2026-03-02&to=2026-03-01").text()).contains("\"field\":\"to\"");
        assertThat(ask("/api/costs/sums.csv?by=PATTERN" + days(THIS, THIS)).text())
                .contains("key,name,pieces,used,", "snake");
    }

    @Test
    void whatAPatternEarnsIsEmptyBelowThreePieces() throws Exception {
        JsonNode rows = ask("/api/costs/earnings?from=" + LocalDate.now().minusDays(60))
                .body()
                .path("rows");
        rows.forEach(row -> assertThat(row.hasNonNull("perHour"))
                .as(row.path("pattern").asString())
                .isEqualTo(row.path("pieces").asInt() >= 3));
    }
}
