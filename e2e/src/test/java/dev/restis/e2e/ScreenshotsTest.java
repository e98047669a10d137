package dev.restis.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Takes the pictures in docs/screenshots/ from the demo workshop; run by bin/restis screenshots. */
@Tag("screenshots")
class ScreenshotsTest {

    private static final Path FOLDER = Path.of("../docs/screenshots");

    @Test
    void takeThemAll() {
        try (Server server = new Server(true);
                Browser browser = new Browser(server.address(), 1)) {
            Page page = browser.signedIn("Tove", ColorScheme.LIGHT, 1280, 800);
            shoot(page, "/plan", "plan");
            shoot(page, "/orders/new", "new-order");
            shoot(page, "/patterns", "patterns");
            shoot(page, "/patterns/falls-tab", "pattern");
            shoot(page, "/patterns/new?from=centrepiece", "editor");
            shoot(page, "/measures/learned", "learned");
            page.navigate("/orders/import");
            page.locator("input[type=file]").setInputFiles(Path.of("../demo/orders.csv"));
            page.getByText("new rows").waitFor();
            Browser.click(page, "Import the 40 good rows");
            page.getByText("rows imported").waitFor();
            shoot(page, "/orders", "orders");
            page.navigate("/plan?view=hand");
            page.getByLabel("All that can be made").check();
            Browser.click(page, "Make a batch and plan its cuts");
            page.getByText("strands from").waitFor();
            // Better plans come for five seconds.
            page.getByText("Looking for a better plan")
                    .waitFor(new Locator.WaitForOptions()
                            .setState(WaitForSelectorState.HIDDEN)
                            .setTimeout(60_000));
            shoot(page, "cut");
            String list = page.url();
            Page phone = browser.signedIn("Bram", ColorScheme.LIGHT, 390, 844);
            phone.navigate(list);
            shoot(phone, "cut-narrow");
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Cut at the bench"))
                    .click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("It is cut"))
                    .waitFor();
            for (int cuts = 0; cuts < 5; cuts++) {
                page.keyboard().press(" ");
                page.waitForTimeout(900);
            }
            shoot(page, "bench");
            page.navigate(list);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Confirm:"))
                    .click();
            page.getByText("Cut and booked by").waitFor();
            page.navigate("/bench");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take all"))
                    .first()
                    .click();
            page.waitForURL("**/bench/*");
            String card = page.url().replace("?by=step", "");
            page.navigate(card);
            for (int steps = 1; steps < 11; steps++) {
                page.getByText("step " + steps + " of").first().waitFor();
                page.keyboard().press(" ");
            }
            page.getByText("step 11 of").first().waitFor();
            shoot(page, "card");
            phone = browser.signedIn("Tove", ColorScheme.LIGHT, 390, 844);
            phone.navigate(card);
            shoot(phone, "card-narrow");
            shoot(page, "/today", "today");
            shoot(page, "/costs?from=2020-01-01", "costs");
            shoot(page, "/finished/7", "finished");
            shoot(page, "/stock", "stock");
            shoot(page, "/stock/articles/HB9", "article");
            shoot(page, "/stock/buy", "buy");
            Page dark = browser.signedIn("Tove", ColorScheme.DARK, 1280, 800);
            shoot(dark, "/orders/1", "order-dark");
        }
    }

    private static void shoot(Page page, String view, String name) {
        page.navigate(view);
        shoot(page, name);
    }

    private static void shoot(Page page, String name) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        Browser.settled(page);
        page.screenshot(new Page.ScreenshotOptions()
                .setAnimations(com.microsoft.playwright.options.ScreenshotAnimations.DISABLED)
                .setPath(FOLDER.resolve(name + ".png")));
    }
}
