package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** A seller's sitting: from a file of orders to what each piece cost. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class JourneyTest extends DemoTest {

    /** It uses the demo's orders and stock up, which nothing may have done before. */
    @Test
    @Order(1)
    void fromTheFileToTheCost() throws IOException {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        page.getByRole(AriaRole.LINK, link("Import a file")).click();
        page.locator("input[type=file]").setInputFiles(Path.of("../demo/orders.csv"));
        assertThat(page.getByText("40 new rows, 87 pieces")).isVisible();
        Browser.click(page, "Show 3 rows that cannot be read");
        assertThat(page.getByText("“16 1/2 thumbs” is not a length.")).isVisible();
        Browser.click(page, "Import the 40 good rows");
        assertThat(page.getByText("40 rows imported, 87 pieces to plan")).isVisible();

        page.getByRole(AriaRole.LINK, link("Plan these pieces")).click();
        Browser.heading(page, "Plan");
        page.getByLabel("All that can be made (107 pieces)").check();
        page.getByPlaceholder("Name of the batch").fill("Harvest fair");
        Browser.click(page, "Make a batch and plan its cuts");

        Browser.heading(page, "Cut list · Harvest fair");
        assertThat(page.getByText("4 pieces have to wait for cord")).isVisible();
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("BR2, "))
                        .first())
                .isVisible();
        Download sheet = page.waitForDownload(
                () -> page.getByRole(AriaRole.LINK, link("Export CSV")).click());
        assertThat(Files.readAllLines(sheet.path()))
                .hasSizeGreaterThan(250)
                .first()
                .asString()
                .contains("mark mm");

        String before = stockOf(page, "NT2").innerText();
        page.goBack();
        Browser.click(page, "Confirm: 103 pieces are cut");
        assertThat(page.getByText("Cut and booked by Tove")).isVisible();
        assertThat(stockOf(page, "NT2"))
                .not()
                .hasText(before, new LocatorAssertions.HasTextOptions().setUseInnerText(true));

        page.getByRole(AriaRole.LINK, link("Costs")).click();
        Browser.heading(page, "Costs");
        assertThat(page.getByText("106 pieces, ")).isVisible();
        Locator books = page.getByText("Received €");
        assertThat(books).containsText("on hand");
        assertThat(books).not().containsText("Off by");
        assertThat(page.getByRole(AriaRole.LINK, link("Plan")).getByText("5")).isVisible();
    }

    @Test
    void theSameFileAgainChangesNothing() {
        Page page = signedIn("Bram", ColorScheme.DARK);
        for (int time = 0; time < 2; time++) {
            Browser.go(page, "/orders/import");
            page.locator("input[type=file]").setInputFiles(Path.of("../demo/orders.csv"));
            page.getByText("rows that cannot be read").waitFor();
            Locator take = page.getByRole(AriaRole.BUTTON, button("Import the 40 good rows"));
            if (take.isVisible()) {
                take.click();
                page.getByText("40 rows imported").waitFor();
            }
        }
        assertThat(page.getByText("Nothing new to import")).isVisible();
        assertThat(page.getByText("40 there already")).isVisible();
    }

    @Test
    void anOrderByFormIsWorkedOutAsItIsTyped() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        page.getByRole(AriaRole.LINK, link("New order")).click();
        Browser.heading(page, "New order");
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Customer"))
                .fill("Sunniva");
        page.getByLabel("or wrist").fill("6 1/2 in");
        assertThat(page.getByText("= 16.5 cm (6 1/2 in)")).isVisible();
        page.getByLabel("or wrist").fill("40 cm");
        assertThat(page.getByText("cannot be a wrist").first()).isVisible();
        page.getByLabel("or wrist").fill("16,5");
        page.getByRole(AriaRole.BUTTON, button("Cut length, Working 1: show the sum"))
                .click();
        assertThat(page.getByText("Square knots", new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();
        page.keyboard().press("Escape");

        // A bare number is in the unit that is switched on: 16,5 inches would be no wrist.
        page.getByText("inch", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("= 16 1/2 in (41.9 cm)")).isVisible();
        assertThat(page.getByText("cannot be a wrist").first()).isVisible();
        page.getByText("cm", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("= 16.5 cm (6 1/2 in)")).isVisible();

        page.getByLabel("Pieces").fill("0");
        Browser.click(page, "Take the order");
        assertThat(page.getByText("0 pieces cannot be ordered. Use 1 to 1,000."))
                .isVisible();
        page.getByLabel("Pieces").fill("2");
        Browser.click(page, "Take the order");
        assertThat(page.getByText("Order of Sunniva taken.")).isVisible();
        assertThat(page.getByRole(
                        AriaRole.HEADING, new Page.GetByRoleOptions().setName("2 × Square-knot bar with slider")))
                .isVisible();
        Browser.click(page, "More");
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Take back"))
                .click();
        Browser.heading(page, "Orders");
    }

    @Test
    void aDeliveryIsReceivedAndItsLedgerRead() {
        Page page = signedIn("Bram", ColorScheme.DARK);
        Browser.go(page, "/stock");
        page.getByRole(AriaRole.LINK, link("Receive").setExact(true)).click();
        choose(page, "Article", "Heather (HE2)");
        page.getByLabel("Lot").fill("HE-99");
        page.getByLabel("Length of each").fill("long");
        page.getByLabel("Price of all").fill("5.49");
        Browser.click(page, "Put on the shelf");
        assertThat(page.getByText("“long” is not a length.").first()).isVisible();
        page.getByLabel("Length of each").fill("25 m");
        Browser.click(page, "Put on the shelf");
        Browser.heading(page, "Stock");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("lot HE-99"))
                .click();
        assertThat(page.getByRole(AriaRole.DIALOG).getByText("Received")).isVisible();
    }

    @Test
    void theUnitSwitchTurnsEveryViewAndIsRemembered() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        Browser.go(page, "/stock");
        assertThat(page.getByText("a metre").first()).isVisible();
        page.getByText("inch", new Page.GetByTextOptions().setExact(true)).click();
        for (String view : List.of("/stock", "/orders/1", "/cut/1", "/costs")) {
            Browser.go(page, view);
            Browser.settled(page);
            String text = page.locator("main").innerText();
            assertThat(text).as(view).doesNotContainPattern("\\d (mm|cm|m)\\b").doesNotContain("a metre");
        }
        Browser.go(page, "/stock");
        assertThat(page.getByText("a foot").first()).isVisible();
        page.getByText("cm", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("a metre").first()).isVisible();
    }

    private static Locator stockOf(Page page, String code) {
        Browser.go(page, "/stock?query=" + code);
        return page.locator("main section").first();
    }
}
