package dev.restis.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import dev.restis.app.costs.Verification;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Every view, in both colour schemes, on a desk and on a phone. */
class ReadableTest {

    /** With all that its makers have tied. */
    private static Server server;

    @BeforeAll
    static void start() {
        server = new Server(true);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    /** What the demo's makers did before: something to see wherever somebody looks. */
    @Test
    void somethingStandsAtEveryStageAndTheBooksAddUp() {
        assertThat(server.jdbc()
                        .sql("select distinct stage::text from piece")
                        .query(String.class)
                        .set())
                .contains("OPEN", "PLANNED", "CUTTING", "CUT", "MAKING", "MADE", "CHECKED", "PACKED", "SENT");
        assertThat(server.jdbc().sql("""
                        select who from left_over_now group by who having count(distinct piece_id) >= 9
                        """).query(String.class).set()).containsExactlyInAnyOrder("Tove", "Bram");
        assertThat(count("select count(*) from piece where stage = 'MADE' and dry_until > now()"))
                .as("drying")
                .isEqualTo(1);
        assertThat(count("select count(*) from bench_piece where held_up and in_hand_of = ''"))
                .as("a strand too short, and nobody has decided")
                .isEqualTo(1);
        assertThat(new Verification(server.jdbc()).differences()).isEmpty();
    }

    private static long count(String sql) {
        return server.jdbc().sql(sql).query(Long.class).single();
    }

    @Test
    void everyViewIsReadableInBothSchemesAndWidths() {
        try (Browser browser = new Browser(server.address())) {
            lookAtEveryView(browser);
            assertThat(browser.troubles()).isEmpty();
        }
    }

    private static void lookAtEveryView(Browser browser) {
        Page page = browser.signedIn("Tove", ColorScheme.LIGHT, 1280, 800);
        for (String view : List.of(
                "/orders",
                "/orders/1",
                "/orders/new",
                "/orders/group",
                "/orders/1/lines/new",
                "/orders/import",
                "/orders/deliveries",
                "/plan",
                "/plan?view=hand",
                "/cut",
                "/cut/1",
                "/stock",
                "/stock/articles/NT2",
                "/stock/articles/BK16",
                "/stock/receive",
                "/stock/buy",
                "/stock/count",
                "/costs",
                "/workshop",
                "/today",
                "/bench",
                "/bench/1",
                "/bench/tales",
                "/finished",
                "/finished/2",
                "/finished/shelf",
                "/finished/shelf/count",
                "/finished/pieces/22",
                "/stock/lots/1",
                "/patterns",
                "/patterns/snake",
                "/patterns/new",
                "/patterns/read",
                "/measures",
                "/measures/learned",
                "/measures/report")) {
            Browser.go(page, view);
            Browser.settled(page);
            assertThat(Browser.axeViolations(page)).as(view).isEmpty();
            assertThat(Browser.scrollsSideways(page))
                    .as(view + " scrolls sideways")
                    .isFalse();
            assertThat(Browser.layoutShift(page)).as(view + " shifts").isLessThan(0.05);
            // Only colours differ in the dark, and the frame around the views is the same.
            Browser.turn(page, ColorScheme.DARK);
            assertThat(Browser.axeViolations(page, view.equals("/orders") ? "html" : "main", List.of("color-contrast")))
                    .as(view + " in the dark")
                    .isEmpty();
            Browser.turn(page, ColorScheme.LIGHT);
        }
        Page phone = browser.signedIn("Bram", ColorScheme.LIGHT, 390, 844);
        for (String view : List.of(
                "/today",
                "/finished",
                "/finished/2",
                "/finished/shelf",
                "/finished/shelf/count",
                "/finished/pieces/22",
                "/cut",
                "/cut/1",
                "/bench",
                "/bench/1",
                "/stock",
                "/stock/buy",
                "/stock/receive",
                "/stock/articles/NT2")) {
            Browser.go(phone, view);
            Browser.settled(phone);
            assertThat(Browser.scrollsSideways(phone)).as(view + " at 390 px").isFalse();
        }
    }
}
