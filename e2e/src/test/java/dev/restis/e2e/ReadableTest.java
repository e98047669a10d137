package dev.restis.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every view, in both colour schemes, on a desk and on a phone. */
class ReadableTest extends DemoTest {

    @Test
    void everyViewIsReadableInBothSchemesAndWidths() {
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
                "/finished",
                "/patterns",
                "/patterns/snake",
                "/patterns/new",
                "/patterns/read",
                "/measures")) {
            page.navigate(view);
            Browser.settled(page);
            assertThat(Browser.axeViolations(page)).as(view).isEmpty();
            assertThat(Browser.scrollsSideways(page))
                    .as(view + " scrolls sideways")
                    .isFalse();
            assertThat(Browser.layoutShift(page)).as(view + " shifts").isLessThan(0.05);
            // Only colours differ in the dark.
            Browser.turn(page, ColorScheme.DARK);
            assertThat(Browser.axeViolations(page, "color-contrast"))
                    .as(view + " in the dark")
                    .isEmpty();
            Browser.turn(page, ColorScheme.LIGHT);
        }
        Page phone = browser.signedIn("Bram", ColorScheme.LIGHT, 390, 844);
        for (String view : List.of(
                "/cut",
                "/cut/1",
                "/bench",
                "/bench/1",
                "/stock",
                "/stock/buy",
                "/stock/receive",
                "/stock/articles/NT2")) {
            phone.navigate(view);
            Browser.settled(phone);
            assertThat(Browser.scrollsSideways(phone)).as(view + " at 390 px").isFalse();
        }
    }
}
