package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/** The book, a pattern worked out live, one of the maker's own, and the house's measures. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class PatternsTest {

    private Server server;
    private Browser browser;

    @BeforeAll
    void start() {
        server = new Server(true);
        browser = new Browser(server.address());
    }

    @AfterAll
    void stop() {
        browser.close();
        server.close();
    }

    @AfterEach
    void nothingWentWrong() {
        assertThat(browser.troubles()).isEmpty();
    }

    private Page signedIn() {
        Page page = browser.open(ColorScheme.LIGHT, 1280, 800);
        Browser.signIn(page, "Tove");
        return page;
    }

    @Test
    void theBookIsFilteredAndTheFilterIsInTheAddress() {
        Page page = signedIn();
        page.navigate("/patterns?kind=NECK_LANYARD");
        assertThat(page.getByText("5 patterns")).isVisible();
        page.getByLabel("Name").fill("braid");
        assertThat(page.getByText("1 pattern", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(page).hasURL(Pattern.compile("kind=NECK_LANYARD.*q=braid"));
        page.getByLabel("Name").fill("nothing like it");
        Browser.click(page, "Show all patterns");
        assertThat(page.getByText("43 patterns")).isVisible();
    }

    /** A bead too small for its cord is judged, and the offered one taken up in one step. */
    @Test
    void aPatternIsWorkedOutLiveAndABadPartIsReplacedInOneStep() {
        Page page = signedIn();
        page.navigate("/patterns/square-bar");
        Browser.heading(page, "Square-knot bar with slider");
        choose(page, "Bead", "Pebble bead (PB6)");
        assertThat(page.getByText("PB6 Pebble bead: 2 strands make a bundle of 3.6 mm for a hole of 2.6 mm"))
                .isVisible();
        Browser.click(page, "Use Harbour bead instead");
        assertThat(page.getByText("HB9 Harbour bead: 2 strands make a bundle of 3.6 mm for a hole of 4.4 mm"))
                .isVisible();
        assertThat(page.getByText("Before the way is closed")).isVisible();
        page.getByLabel("or wrist").fill("19 cm");
        assertThat(page.getByText("around a wrist")).isHidden();
        assertThat(page.getByText("Small beads and cords")).isVisible();
    }

    @Test
    void aPatternOfOnesOwnIsComposedKeptOrderedAndWithdrawn() {
        Page page = signedIn();
        page.navigate("/patterns/ladder");
        page.getByRole(AriaRole.LINK, link("Copy and change")).click();
        Browser.heading(page, "Compose a pattern");
        page.getByLabel("Name").first().fill("Harbour ladder");
        page.getByLabel("Key").fill("harbour-ladder");
        Locator working = page.locator("main").getByRole(AriaRole.IMG).first();
        assertThat(working).isVisible();

        Browser.click(page, "Remove Stopper");
        assertThat(page.getByText("It cannot be made yet")).isVisible();
        assertThat(page.getByText("There is an eye but nothing for it to close over."))
                .isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, button("Keep the pattern"))).isDisabled();
        Browser.click(page, "Undo");
        assertThat(page.getByText("It cannot be made yet")).isHidden();

        Browser.click(page, "Keep the pattern");
        Browser.heading(page, "Harbour ladder");
        page.getByRole(AriaRole.LINK, link("Order this")).click();
        Browser.heading(page, "New order");
        page.getByLabel("Customer").fill("Sunniva");
        Browser.click(page, "Take the order");
        assertThat(page.getByText("1 × Harbour ladder")).isVisible();

        page.navigate("/patterns/harbour-ladder");
        Browser.click(page, "Withdraw");
        assertThat(page.getByText("Harbour ladder is out of the book")).isVisible();
        assertThat(page.getByText("43 patterns")).isVisible();
        Browser.click(page, "Undo");
        assertThat(page.getByText("44 patterns")).isVisible();
        page.navigate("/patterns/harbour-ladder");
        Browser.click(page, "Withdraw");
        assertThat(page.getByText("43 patterns")).isVisible();
    }

    @Test
    void textThatIsNoPatternIsExplainedAndNotLost() {
        Page page = signedIn();
        page.navigate("/patterns/read");
        page.getByLabel("The pattern as JSON").fill("{\"name\": \"Menu\", \"soup\": 3}");
        Browser.click(page, "Open in the editor");
        assertThat(page.getByText("This cannot be read as a part of a pattern").first())
                .isVisible();
        assertThat(page.getByLabel("The pattern as JSON")).hasValue("{\"name\": \"Menu\", \"soup\": 3}");
    }

    @Test
    void aSwatchChangesWhatIsCutAndCanBeTakenBack() {
        Page page = signedIn();
        page.navigate("/measures");
        page.getByLabel("Body length").fill("8,2 cm");
        page.getByLabel("Cord one strand used").fill("900 cm");
        Browser.click(page, "Keep the swatch");
        assertThat(page.getByText("is far from what geometry expects")).isVisible();
        page.getByLabel("Cord one strand used").fill("47.8 cm");
        Browser.click(page, "Keep the swatch");
        assertThat(page.getByText("1 swatch, 10 % on geometry, spread 5 %")).isVisible();
        Browser.click(page, "Withdraw");
        assertThat(page.getByText("No swatches yet.")).isVisible();
    }

    @Test
    void anOwnerChangesTheHouseSizes() {
        Page page = signedIn();
        page.navigate("/measures");
        Browser.click(page, "Change");
        page.getByLabel("Hand of M").fill("12 cm");
        Browser.click(page, "Keep the sizes");
        assertThat(page.getByText("is smaller than the wrist")).isVisible();
        page.getByLabel("Hand of M").fill("21,5 cm");
        Browser.click(page, "Keep the sizes");
        assertThat(page.getByText("21.5 cm").first()).isVisible();
    }

    private static void choose(Page page, String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .first()
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option))
                .click();
    }

    private static Page.GetByRoleOptions link(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private static Page.GetByRoleOptions button(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }
}
