package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;

/** The stores: buying, receiving against a purchase, counting with the scale, articles. */
class StockTest extends DemoTest {

    @Test
    void whatIsMissingIsBoughtAndPutOnTheShelfWhenItComes() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        Browser.go(page, "/stock/buy");
        Locator group = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Grey Gull Cordage"));
        assertThat(group.getByText("missing")).isVisible();
        assertThat(group.getByText("Not enough from")).isVisible();
        Browser.click(page, "Note purchase of one line");
        Locator row = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("No. 1 by Tove"));
        assertThat(row.getByText("1 × HE2 25.00 m")).isVisible();
        assertThat(row.getByText("Below the least order")).isVisible();
        assertThat(group).isHidden();
        row.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Receive"))
                .click();
        assertThat(page.getByLabel("Length of each")).hasValue("25.00 m");
        page.getByLabel("Lot").fill("HE-200");
        page.getByLabel("Delivery note").fill("GG-1");
        page.getByLabel("Freight").fill("1.40");
        Browser.click(page, "Put on the shelf");
        Browser.heading(page, "Stock");
        Browser.go(page, "/stock/receive");
        Locator note = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("GG-1"));
        assertThat(note.getByText("€6.00")).isVisible();
        Browser.go(page, "/stock/buy");
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("No. 1 by Tove")))
                .containsText("Closed");
    }

    /** 2.4 g a metre: 136 g less 40 g are 40 m of the 50 m on the books. */
    @Test
    void aSpoolIsWeighedOnTheBenchAndTheDifferenceBooked() throws Exception {
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(Server.DEVICES.address() + "/scale"))
                                .PUT(HttpRequest.BodyPublishers.ofString("136000"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
        Page page = browser.signedIn("Bram", ColorScheme.LIGHT, 390, 844);
        Browser.go(page, "/stock/count");
        page.getByLabel("Article’s code").fill("li2");
        page.getByLabel("Keep what is expected secret").check();
        Browser.click(page, "Start counting");
        assertThat(page.getByText("secret", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.getByLabel("How S").selectOption("WEIGHT");
        Browser.click(page, "Read the scale");
        assertThat(page.getByLabel("with its spool")).hasValue("136 g");
        page.getByLabel("Weight of the empty spool").fill("40 g");
        Browser.click(page, "Note");
        assertThat(page.getByText("10.00 m missing")).isVisible();
        assertThat(Browser.axeViolations(page)).isEmpty();
        assertThat(Browser.scrollsSideways(page)).isFalse();
        Browser.click(page, "Book the differences");
        assertThat(page.getByText("Give a reason in a few words.").first()).isVisible();
        page.getByLabel("Reason for").fill("sold at the fair");
        Browser.click(page, "Book the differences");
        assertThat(page.getByText("booked").first()).isVisible();
        Browser.go(page, "/stock/articles/LI2");
        assertThat(page.getByText("40.00 m").first()).isVisible();
    }

    @Test
    void anArticleSaysWhoSellsItAndWhatGoesWithIt() {
        Page page = signedIn("Tove", ColorScheme.DARK);
        Browser.go(page, "/stock");
        page.getByLabel("Find", new Page.GetByLabelOptions().setExact(true)).fill("swivel");
        page.getByRole(AriaRole.LINK, link("Swivel clip 12")).click();
        Browser.heading(page, "Swivel clip 12 (SC12)");
        choose(page, "Supplier", "Skerry Findings");
        page.getByLabel("Pieces in each").fill("many");
        page.getByLabel("Price each").fill("3.10");
        Browser.click(page, "Add put-up");
        assertThat(page.getByText("is no number of pieces").first()).isVisible();
        page.getByLabel("Pieces in each").fill("5");
        Browser.click(page, "Add put-up");
        assertThat(page.getByText("5 pieces").first()).isVisible();
        page.getByRole(AriaRole.LINK, link("Night Tide (NT2)")).click();
        Browser.heading(page, "Night Tide (NT2)");
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Swivel clip 12")))
                .containsText("6 strands on the bar");
    }
}
