package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.junit.jupiter.api.Test;

/** An empty workshop: the first visit makes its owner, and every view says what to do next. */
class FirstVisitTest {

    @Test
    void theFirstVisitorBecomesTheOwner() {
        try (Server server = new Server(false);
                Browser browser = new Browser(server.address())) {
            Page page = browser.open(ColorScheme.LIGHT, 1280, 800);
            page.navigate("/");
            page.getByLabel("Workshop").fill("Ullin Bench");
            page.getByLabel("Your name").fill("Tove");
            page.getByLabel("Password", new Page.GetByLabelOptions().setExact(true))
                    .fill("short");
            Browser.click(page, "Create the workshop");
            assertThat(page.getByText("The password is too short. Use at least 10 characters."))
                    .isVisible();
            page.getByLabel("Password", new Page.GetByLabelOptions().setExact(true))
                    .fill("harbour-lantern");
            Browser.click(page, "Create the workshop");
            assertThat(page.getByText("Nothing waits anywhere.")).isVisible();
            Browser.go(page, "/orders");
            assertThat(page.getByText("No orders yet.")).isVisible();
            Browser.go(page, "/bench");
            assertThat(page.getByText("Nothing waits at the bench.")).isVisible();
            Browser.go(page, "/plan");
            assertThat(page.getByText("Every piece is in a batch.")).isVisible();
            Browser.go(page, "/cut");
            assertThat(page.getByText("Nothing to cut.")).isVisible();
            Browser.go(page, "/costs");
            assertThat(page.getByText("Nothing was cut in these days.")).isVisible();
            Browser.go(page, "/stock");
            assertThat(page.getByText("No articles yet.")).isVisible();
            Browser.go(page, "/orders/new");
            assertThat(page.getByText("No cord is known yet")).isVisible();
            assertThat(browser.troubles()).isEmpty();
        }
    }
}
