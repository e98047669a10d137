package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The plan of days: each act by mouse and by keyboard, and two people at once. */
class PlanningTest extends DemoTest {

    private static final String FOBS = "Spiral key fob";

    private Page page;

    @BeforeEach
    void theHousePlans() {
        // Six hours a day, so that there is room for what hands want.
        server().sql("update maker_minutes set minutes = 360; delete from maker_day; "
                + "update plan_book set head = null, published = null; update work_plan set before_id = null; "
                + "delete from work_plan; update plan_rules set planning = false");
        page = signedIn("Tove", ColorScheme.LIGHT);
        Browser.go(page, "/plan");
        press("Plan the days");
        said("Planned");
        assertThat(page.getByRole(AriaRole.BUTTON, button("Publish"))).isVisible();
    }

    private void press(String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
    }

    /** A batch of these pieces, wherever it stands. */
    private Locator batch(String pattern) {
        return page.locator("table td button[aria-label*='" + pattern + "']").first();
    }

    /** Where the first batch of these pieces stands; read in one moment, because the board is drawn anew again and again. */
    private String where(String pattern, String what) {
        return String.valueOf(page.evaluate("""
                ([pattern, what]) => {
                  const block = document.querySelector(`table td button[aria-label*='${pattern}']`);
                  return block && block.closest('td').dataset[what];
                }""", List.of(pattern, what)));
    }

    private void said(String act) {
        assertThat(page.getByText(Pattern.compile("^" + act + " .* by Tove"))).isVisible();
    }

    @Test
    void batchesAreCarriedByMouse() {
        Locator fobs = batch(FOBS);
        String maker = where(FOBS, "person");
        Locator to = page.locator("td[data-person]:not([data-person='" + maker + "'])")
                .nth(3);
        String day = String.valueOf(to.evaluate("c => c.dataset.day"));
        fobs.dragTo(to);
        said("Changed");
        Locator moved = batch(FOBS);
        assertThat(moved).hasAttribute("data-state", "PINNED");
        assertThat(where(FOBS, "person")).isNotEqualTo(maker);
        assertThat(where(FOBS, "day")).isEqualTo(day);
        moved.click();
        Locator panel = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("The batch"));
        assertThat(panel.getByText("pinned")).isVisible();
        panel.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Let it go"))
                .click();
        said("Let go");
        press("Take back");
        said("Changed");
        press("Take back");
        said("Planned");
        assertThat(where(FOBS, "person")).isEqualTo(maker);
    }

    @Test
    void everyActIsAKeyOrAButton() {
        Locator fobs = batch(FOBS);
        String maker = where(FOBS, "person");
        fobs.press("p");
        said("Pinned");
        assertThat(batch(FOBS)).hasAttribute("data-state", "PINNED");
        String day = where(FOBS, "day");
        batch(FOBS).press("ArrowRight");
        said("Changed");
        assertThat(where(FOBS, "day")).isGreaterThan(day);
        batch(FOBS).press(maker.equals("1") ? "ArrowUp" : "ArrowDown");
        assertThat(page.locator("table td:not([data-person='" + maker + "']) button[aria-label*='Spiral key fob']")
                        .first())
                .isVisible();
        batch(FOBS).press("Enter");
        Locator panel = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("The batch"));
        panel.getByLabel("Pieces before").fill("2");
        panel.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Split").setExact(true))
                .click();
        said("Split");
        assertThat(page.locator("table td button[aria-label*='Spiral key fob']").nth(1))
                .isVisible();
        batch(FOBS).press("m");
        said("Merged");
        batch(FOBS).press("t");
        said("Batch taken");
        assertThat(server().jdbc()
                        .sql("select count(*) from batch where created_by = 'Tove' and pieces = 6")
                        .query(Long.class)
                        .single())
                .isPositive();
    }

    @Test
    void whyItStandsThereIsAnswered() {
        Locator bands = page.locator("table td button[data-state=FREE]").first();
        bands.click();
        Locator why = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Why it is here"));
        assertThat(why.getByText("from an empty bench")).isVisible();
        Locator move = why.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Move it there"));
        assertThat(move.or(why.getByText("There is no other place for it."))).isVisible();
    }

    @Test
    void othersFollowWhatIsPublishedAndTheSecondIsTold() {
        press("Publish");
        assertThat(page.getByRole(AriaRole.BUTTON, button("Publish"))).isHidden();
        Browser.go(page, "/cut");
        Locator first =
                page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("To cut first, by the plan"));
        assertThat(first.getByRole(AriaRole.BUTTON).first()).isVisible();
        Browser.go(page, "/plan");
        Page other = signedIn("Bram", ColorScheme.DARK);
        Browser.go(other, "/plan");
        assertThat(other.getByRole(AriaRole.BUTTON, button("Publish"))).isHidden();
        Locator theirs = other.locator("table td button[data-state=FREE]").first();
        assertThat(theirs).isVisible();
        page.locator("table td button[data-state=FREE]").first().press("p");
        said("Pinned");
        browser.expecting("status of 409");
        theirs.press("p");
        assertThat(other.getByText("Tove changed the plan just now")).isVisible();
        // They see it as it is now, and may go on.
        other.locator("table td button[data-state=FREE]").first().press("p");
        assertThat(other.getByText(Pattern.compile("^Pinned .* by Bram"))).isVisible();
    }

    @Test
    void aPhoneShowsOnesOwnDays() {
        press("Publish");
        Page phone = browser.signedIn("Bram", ColorScheme.LIGHT, 390, 844);
        Browser.go(phone, "/plan");
        assertThat(phone.getByRole(
                                AriaRole.HEADING,
                                new Page.GetByRoleOptions().setName("Today").setExact(true))
                        .or(phone.getByText("Nothing is planned on these days.")))
                .isVisible();
        assertThat(Browser.scrollsSideways(phone)).isFalse();
    }

    /** One maker and a handful of pieces: from the plan to tying in two clicks, without any planning. */
    @Test
    void aHouseOfOneBeginsToTieInTwoClicks() {
        server().sql("update plan_rules set planning = false; update person set ended_at = now() where name = 'Bram'; "
                + "update order_line set open = 0 where open > 3");
        Browser.go(page, "/today");
        Browser.go(page, "/plan");
        Locator list = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("To tie today"));
        list.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Tie"))
                .first()
                .click();
        Browser.click(page, "Take it in hand");
        assertThat(page.getByText(Pattern.compile("step 1 of")).first()).isVisible();
        server().sql("update person set ended_at = null where name = 'Bram'");
    }
}
