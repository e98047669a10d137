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
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;

/** The bench: one cut at a time, by keys and by the counter, by two people, through flaws and reloads. */
class CuttingTest extends DemoTest {

    private static void runThrough(long micrometres) throws Exception {
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(Server.DEVICES.address() + "/counter"))
                                .PUT(HttpRequest.BodyPublishers.ofString(String.valueOf(micrometres)))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
    }

    private static Locator bench(Page page) {
        return page.getByRole(AriaRole.REGION).filter(new Locator.FilterOptions().setHasText("Take back"));
    }

    private static Locator toGo(Page page, int spool) {
        return page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Spools"))
                .getByRole(AriaRole.BUTTON)
                .nth(spool);
    }

    @Test
    void aListIsCutByTwoPeopleThroughFlawsAndReloads() throws Exception {
        Page tove = signedIn("Tove", ColorScheme.LIGHT);
        Browser.go(tove, "/plan");
        tove.getByLabel("All that can be made").check();
        Browser.click(tove, "Make a batch and plan its cuts");
        tove.getByText("strands from").waitFor();
        tove.getByText("Looking for a better plan")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN)
                        .setTimeout(60_000));
        assertThat(Browser.axeViolations(tove)).isEmpty();
        tove.getByRole(AriaRole.LINK, link("Cut at the bench")).click();
        assertThat(tove.getByText(Pattern.compile("cut 1 of \\d+"))).isVisible();
        assertThat(Browser.axeViolations(tove)).isEmpty();
        String bench = tove.url();

        // One by the key, one taken back, one by a large target.
        tove.keyboard().press(" ");
        assertThat(toGo(tove, 0)).containsText("in your hands");
        String left = toGo(tove, 0).textContent();
        tove.keyboard().press("Backspace");
        assertThat(toGo(tove, 0)).not().hasText(left);
        tove.getByRole(AriaRole.BUTTON, button("It is cut")).click();
        assertThat(toGo(tove, 0)).hasText(left);

        // A dead battery: on another device it goes on where it stopped; somebody else takes another spool.
        tove.close();
        Page narrow = browser.signedIn("Tove", ColorScheme.DARK, 390, 844);
        Browser.go(narrow, bench);
        assertThat(toGo(narrow, 0)).hasText(left);
        assertThat(bench(narrow)).containsText("cut");
        assertThat(Browser.scrollsSideways(narrow)).isFalse();
        assertThat(Browser.axeViolations(narrow)).isEmpty();
        Page bram = signedIn("Bram", ColorScheme.LIGHT);
        Browser.go(bram, bench);
        assertThat(bram.getByRole(AriaRole.BUTTON, button("It is cut"))).isVisible();
        assertThat(toGo(bram, 1)).hasAttribute("aria-current", "true");
        bram.keyboard().press(" ");
        assertThat(toGo(bram, 1)).containsText("in your hands");
        assertThat(toGo(narrow, 1)).containsText("Bram");

        // A flaw a little further on: what is left is planned around it.
        Browser.click(narrow, "Flaw at");
        narrow.getByLabel("How far from the end").fill("nowhere");
        Browser.click(narrow, "Book it and plan on");
        assertThat(narrow.getByText("is no").first()).isVisible();
        narrow.getByLabel("How far from the end").fill("30 cm");
        Browser.click(narrow, "Book it and plan on");
        assertThat(narrow.getByRole(AriaRole.DIALOG)).isHidden();
        assertThat(narrow.getByText(Pattern.compile("Before the flaw|cut \\d+ of \\d+")))
                .isVisible();
        narrow.close();

        // The counter drives the next cut of Bram's spool.
        bram.reload();
        assertThat(bram.getByText(Pattern.compile("cut \\d+ of \\d+"))).isVisible();
        String before = toGo(bram, 1).textContent();
        long millimetres = Long.parseLong(bram.getByText(Pattern.compile("^\\d+ mm$"))
                .first()
                .textContent()
                .replaceAll("\\D", ""));
        Browser.click(bram, "Follow the cord counter");
        assertThat(bram.getByText("have run through")).isVisible();
        runThrough(millimetres * 1000 + 1000);
        assertThat(toGo(bram, 1)).not().hasText(before);
        Browser.click(bram, "Stop following");

        // The rest by the sheet, its tags from the printer.
        bram.getByRole(AriaRole.LINK, link("The whole list")).click();
        Browser.click(bram, "Tags");
        bram.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Print one for each piece"))
                .click();
        assertThat(bram.getByText("The tags are at the label printer.")).isVisible();
        try (PDDocument tags =
                Loader.loadPDF(Server.LABELS.resolve("labels-0001.pdf").toFile())) {
            assertThat(tags.getNumberOfPages()).isGreaterThan(10);
        }
        // Tove still has the spool with the flaw in hand; she comes back and finishes.
        Page back = signedIn("Tove", ColorScheme.LIGHT);
        bram.getByRole(AriaRole.LINK, link("Go on cutting")).click();
        toGo(bram, 0).click();
        assertThat(bram.getByText("Tove has this spool in hand")).isVisible();
        Browser.click(bram, "Take it over");
        assertThat(bram.getByText("Tove has this spool in hand")).isHidden();
        bram.getByRole(AriaRole.LINK, link("The whole list")).click();
        Browser.click(bram, "Confirm:");
        assertThat(bram.getByText("Cut and booked by Bram")).isVisible();

        Browser.go(back, "/cut/waste");
        Browser.heading(back, "Where the cord went");
        assertThat(back.getByText("Night Tide (NT2)")).isVisible();
        back.getByText("Cut list", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(back.getByText("Over the bound")).isVisible();
        assertThat(Browser.axeViolations(back)).isEmpty();
        assertThat(Browser.scrollsSideways(back)).isFalse();
        Browser.go(back, "/costs");
        assertThat(back.getByText("Off by")).isHidden();
    }
}
