package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** The bench: a whole piece by keys alone, without a network, and two people at one card. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class MakingTest extends DemoTest {

    private static Locator now(Page page) {
        return page.getByLabel("Steps").locator("[aria-current=step]");
    }

    private static Locator at(Page page, int step) {
        return page.getByText("step " + step + " of", new Page.GetByTextOptions())
                .first();
    }

    /** Waits until the server says that the piece stands there. */
    private static void stands(Page page, long piece, int next) {
        page.waitForFunction(
                "([piece, next]) => fetch('/api/bench/pieces/' + piece).then(r => r.json()).then(card => card.next === next)",
                List.of(String.valueOf(piece), next));
    }

    private static void press(Page page, int from, int times) {
        for (int step = from; step < from + times; step++) {
            assertThat(at(page, step)).isVisible();
            page.keyboard().press(" ");
        }
    }

    @Test
    @Order(1)
    void aWholePieceByKeysAlone() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        Browser.go(page, "/bench");
        page.getByRole(AriaRole.BUTTON, button("Take it")).focus();
        page.keyboard().press("Enter");
        page.waitForURL("**/bench/*");
        assertThat(at(page, 1)).isVisible();
        int steps = page.getByLabel("Steps").getByRole(AriaRole.LISTITEM).count();
        assertThat(steps).isGreaterThan(15);
        press(page, 1, 4);
        assertThat(at(page, 5)).isVisible();
        readable(page);
        page.keyboard().press("w");
        assertThat(page.getByRole(AriaRole.BUTTON, button("Do this")).first()).isVisible();
        readable(page);
        page.keyboard().press("Escape");
        page.keyboard().press("Backspace");
        press(page, 4, steps - 3);
        assertThat(page.getByText("It is made.")).isVisible();
        // What was left over is said here as well; the rest is thrown away.
        page.getByLabel("Left of A").fill("12 cm");
        page.getByLabel("Left of A").press("Enter");
        assertThat(page.getByText("thrown away", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible();
        readable(page);
        Browser.go(page, "/bench");
        assertThat(page.getByText("Wouter")).hasCount(0);
    }

    /** In both schemes. */
    private static void readable(Page page) {
        assertThat(Browser.axeViolations(page)).isEmpty();
        Browser.turn(page, ColorScheme.DARK);
        assertThat(Browser.axeViolations(page, "html", List.of("color-contrast")))
                .isEmpty();
        Browser.turn(page, ColorScheme.LIGHT);
    }

    @Test
    @Order(2)
    void fiveActsWithoutANetworkAreFoundFiveTimes() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        Browser.go(page, "/bench");
        Browser.click(page, "Take one");
        page.waitForURL("**/bench/*");
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        assertThat(at(page, 1)).isVisible();
        long piece = Long.parseLong(page.url().replaceAll(".*/", ""));
        BrowserContext context = page.context();
        context.setOffline(true);
        press(page, 1, 5);
        assertThat(page.getByText("5 acts are kept here")).isVisible();
        page.close();
        Page again = context.newPage();
        again.navigate("/bench/" + piece);
        assertThat(again.getByText("5 acts are kept here")).isVisible();
        assertThat(at(again, 6)).isVisible();
        Page other = context.newPage();
        other.navigate("/bench/" + piece);
        assertThat(at(other, 6)).isVisible();
        context.setOffline(false);
        assertThat(again.getByText("are kept here")).isHidden();
        stands(again, piece, 5);
        // Both tabs act: each step is done once, whichever of them it was; who came too late is told.
        browser.expecting("status of 409");
        again.keyboard().press(" ");
        other.keyboard().press(" ");
        again.waitForFunction("""
                piece => !Object.keys(localStorage).some(key => key.startsWith('restis.bench.')
                        && !JSON.parse(localStorage.getItem(key)).refused)
                    && fetch('/api/bench/pieces/' + piece).then(r => r.json())
                        .then(card => card.next >= 6 && card.last.step === card.next - 1)
                """, String.valueOf(piece));
        again.close();
        other.close();
    }

    @Test
    @Order(3)
    void theSecondOfTwoAtOneCardIsTold() {
        Page tove = signedIn("Tove", ColorScheme.LIGHT);
        Browser.go(tove, "/bench/1");
        assertThat(now(tove)).isVisible();
        Page bram = signedIn("Bram", ColorScheme.LIGHT);
        Browser.go(bram, "/bench/1");
        assertThat(bram.getByText("This piece is in Tove’s hands")).isVisible();
        bram.keyboard().press(" ");
        Browser.click(bram, "Take it over");
        assertThat(bram.getByText("Lay it down")).isVisible();
        // She reads nothing of it until she acts, and then keeps nothing that did not happen.
        assertThat(tove.getByText("Lay it down")).isVisible();
    }
}
