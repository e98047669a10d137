package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import dev.restis.core.pattern.PatternBook;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The book, a pattern worked out live, one of the maker's own, and the house's measures. */
class PatternsTest extends DemoTest {

    private Page signedIn() {
        return signedIn("Tove", ColorScheme.LIGHT);
    }

    @Test
    void theBookIsFilteredAndTheFilterIsInTheAddress() {
        Page page = signedIn();
        Browser.go(page, "/patterns?kind=NECK_LANYARD");
        assertThat(page.getByText("5 patterns")).isVisible();
        page.getByLabel("Name").fill("braid");
        assertThat(page.getByText("1 pattern", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(page).hasURL(Pattern.compile("kind=NECK_LANYARD.*q=braid"));
        page.getByLabel("Name").fill("nothing like it");
        Browser.click(page, "Show all patterns");
        assertThat(page.getByText(patterns(0))).isVisible();
    }

    /** A bead too small for its cord is judged, and the offered one taken up in one step. */
    @Test
    void aPatternIsWorkedOutLiveAndABadPartIsReplacedInOneStep() {
        Page page = signedIn();
        Browser.go(page, "/patterns/square-bar");
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
        Browser.go(page, "/patterns/ladder");
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
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Customer"))
                .fill("Sunniva");
        Browser.click(page, "Take the order");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("1 × Harbour ladder")))
                .isVisible();

        Browser.go(page, "/patterns/harbour-ladder");
        Browser.click(page, "Withdraw");
        assertThat(page.getByText("Harbour ladder is out of the book")).isVisible();
        assertThat(page.getByText(patterns(0))).isVisible();
        Browser.click(page, "Undo");
        assertThat(page.getByText(patterns(1))).isVisible();
        Browser.go(page, "/patterns/harbour-ladder");
        Browser.click(page, "Withdraw");
        assertThat(page.getByText(patterns(0))).isVisible();
    }

    @Test
    void textThatIsNoPatternIsExplainedAndNotLost() {
        Page page = signedIn();
        Browser.go(page, "/patterns/read");
        page.getByLabel("The pattern as JSON").fill("{\"name\": \"Menu\", \"soup\": 3}");
        Browser.click(page, "Open in the editor");
        assertThat(page.getByText("This cannot be read").first()).isVisible();
        assertThat(page.getByLabel("The pattern as JSON")).hasValue("{\"name\": \"Menu\", \"soup\": 3}");
    }

    @Test
    void aSwatchChangesWhatIsCutAndCanBeTakenBack() {
        Page page = signedIn();
        Browser.go(page, "/measures");
        page.getByLabel("Body length").fill("8,2 cm");
        page.getByLabel("Cord one strand used").fill("900 cm");
        Browser.click(page, "Keep the swatch");
        assertThat(page.getByText("is far from what geometry expects")).isVisible();
        page.getByLabel("Cord one strand used").fill("47.8 cm");
        Browser.click(page, "Keep the swatch");
        assertThat(page.getByText("1 swatch, 8 % on geometry, spread 9 %")).isVisible();
        Browser.click(page, "Withdraw");
        assertThat(page.getByText("No swatches yet.")).isVisible();
    }

    @Test
    void anOwnerChangesTheHouseSizes() {
        Page page = signedIn();
        Browser.go(page, "/measures");
        page.getByRole(AriaRole.BUTTON, button("Change").setExact(true)).click();
        page.getByLabel("Hand of M").fill("12 cm");
        Browser.click(page, "Keep the sizes");
        assertThat(page.getByText("is smaller than the wrist")).isVisible();
        page.getByLabel("Hand of M").fill("21,5 cm");
        Browser.click(page, "Keep the sizes");
        assertThat(page.getByText("21.5 cm").first()).isVisible();
    }

    /** Six runs hitched on a bar of 16 mm bunch; four do not. */
    @Test
    void aBandTooWideForItsBuckleBecomesOneOfFewerRunsInOneStep() {
        Page page = signedIn();
        Browser.go(page, "/patterns/figure-eight-6");
        choose(page, "Buckle", "Side-release buckle 16 (BK16)");
        assertThat(page.getByText("18.22 mm of cord lie on a bar of 16 mm")).isVisible();
        Browser.click(page, "Make Figure-eight band with buckle instead");
        Browser.heading(page, "Figure-eight band with buckle");
        assertThat(page.getByText("12.14 mm of cord lie on a bar of 16 mm")).isVisible();
    }

    @Test
    void whoWearsItIsJudged() {
        Page page = signedIn();
        Browser.go(page, "/patterns/neck-plain");
        assertThat(page.getByText("The breakaway joint lies between the two ends"))
                .isVisible();
        page.getByLabel("Who wears it").selectOption("A child under three");
        assertThat(page.getByText("Not for small children: choose a wrist lanyard or a fob."))
                .isVisible();
    }

    /** A stitch of one's own is drawn at once, pulled tight while one looks, and then offered where patterns are composed. */
    @Test
    void aStitchIsComposedPulledTightAndKept() {
        Page page = signedIn();
        Browser.go(page, "/patterns/stitches");
        Browser.heading(page, "Stitches");
        assertThat(Browser.axeViolations(page)).isEmpty();
        page.getByRole(AriaRole.REGION, link("Figure-eight weave"))
                .first()
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Compose from this"))
                .click();
        Browser.heading(page, "Compose a stitch");
        Locator path = page.getByLabel("Paths, as JSON");
        String json = path.inputValue();
        path.fill(json.replace("\"perWorking\": 1.6", "\"perWorking\": 0"));
        assertThat(page.getByText("0 worked diameters is out of range.")).isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, button("Keep the stitch"))).isDisabled();
        path.fill(json.replace("\"perWorking\": 1.6", "\"perWorking\": 1.7").replace("figure-eight-2", "harbour-flat"));
        assertThat(page.getByText("Adds 1.70 d a repeat")).isVisible();
        // Pulling it tight takes seconds of computing in the background, and more where much else is done meanwhile.
        assertThat(page.getByText("Harbour flat: drawn from"))
                .isHidden(new LocatorAssertions.IsHiddenOptions().setTimeout(90_000));
        Browser.click(page, "Keep the stitch");
        assertThat(page.getByText("This is empty. Fill it in.")).isVisible();
        page.getByLabel("Name").fill("Harbour flat");
        Browser.click(page, "Keep the stitch");
        assertThat(page.getByRole(AriaRole.REGION, link("Harbour flat"))).isVisible();
        Browser.go(page, "/patterns/new?from=figure-eight-2");
        choose(page, "Stitch", "Harbour flat");
        assertThat(page.getByText("It cannot be made yet")).isHidden();
    }

    @Test
    void theBookIsFilteredByWidthAndTime() {
        Page page = signedIn();
        Browser.go(page, "/patterns?width=5000&time=15");
        assertThat(page.getByText("Doubled cord with noose and connecting knot"))
                .isVisible();
        assertThat(page.getByText("Broad figure-eight band")).isHidden();
        Browser.go(page, "/patterns?width=more");
        assertThat(page.getByText("Broad figure-eight band")).isVisible();
    }

    /** Those of the library and so many of one's own. */
    private static String patterns(int own) {
        return PatternBook.all().size() + own + " patterns";
    }
}
