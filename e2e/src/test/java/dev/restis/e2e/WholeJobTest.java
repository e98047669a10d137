package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The whole job: from an order written in a line over plan, scissors, bench, check and parcel to its cost and what was learned. */
class WholeJobTest extends DemoTest {

    private static final String WHO = "Idunn";

    @Test
    void fromALineToTheParcelAndItsCost() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        page.getByLabel("Write an order").fill("1 snake 16.5 night oat for " + WHO);
        Browser.click(page, "Take the order");
        assertThat(page.getByText("Order of " + WHO + " taken.")).isVisible();
        String order = page.url().replaceFirst(".*/orders/", "");

        page.getByRole(AriaRole.LINK, link("Plan these pieces")).click();
        page.getByLabel("All that can be made").check();
        Browser.click(page, "Make a batch and plan its cuts");
        page.getByRole(AriaRole.BUTTON, button("Confirm: ")).click();
        assertThat(page.getByText("Cut and booked by Tove")).isVisible();

        Browser.go(page, "/today");
        Locator row = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(WHO));
        assertThat(row).containsText("Tie");
        row.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take one"))
                .click();
        page.waitForURL("**/bench/*");
        tie(page);
        assertThat(page.getByText("It is made.")).isVisible();

        Browser.go(page, "/finished?query=" + WHO.toLowerCase(java.util.Locale.ROOT));
        Locator made = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(WHO));
        assertThat(made).containsText("1 piece here");
        page.getByRole(AriaRole.LINK, link("Send 1")).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("on its way out")))
                .isVisible();
        page.getByLabel("Its number").fill("SQ 4711");
        Browser.click(page, "Send 1 piece");
        assertThat(page.getByText("no. SQ 4711")).isVisible();
        Browser.click(page, "It is on its way");
        assertThat(page.getByLabel("Message", new Page.GetByLabelOptions().setExact(true)))
                .hasValue(Pattern.compile("Dear " + WHO + ".*1 x Snake-knot band.*SQ 4711", Pattern.DOTALL));
        page.getByLabel("To", new Page.GetByLabelOptions().setExact(true)).fill("idunn@quay.example");
        Browser.click(page, "Put it in the outbox");
        assertThat(page.getByText("The message is in the outbox.")).isVisible();
        Browser.click(page, "Note a payment");
        Browser.click(page, "Note it");
        assertThat(page.getByText("not paid")).isHidden();
        assertThat(Browser.axeViolations(page)).isEmpty();

        Browser.go(page, "/costs?by=ORDER");
        Locator cost = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(WHO));
        assertThat(cost).containsText(Pattern.compile("€\\d"));
        cost.getByRole(AriaRole.BUTTON).click();
        assertThat(page.getByText("Order: ", new Page.GetByTextOptions().setExact(false)))
                .isVisible();
        assertThat(page.getByText("Received €")).not().containsText("Off by");

        Browser.go(page, "/orders/" + order);
        assertThat(page.getByText("Sent", new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();
        Browser.go(page, "/today");
        assertThat(page.getByText("To do", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(page.getByText(WHO)).hasCount(0);
        comesBack(page, order);
    }

    /** It was too wide: made smaller at the bench, kept by the house, counted, and taken by somebody whom it suits. */
    private static void comesBack(Page page, String order) {
        Browser.go(page, "/orders/" + order);
        Locator pieces = page.getByRole(AriaRole.REGION, region("Pieces"));
        pieces.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Came back"))
                .click();
        Browser.click(page, "Yes, so it is");
        assertThat(pieces).containsText("came back");
        pieces.getByRole(AriaRole.LINK).first().click();
        page.getByRole(AriaRole.LINK, link("at the bench")).click();
        page.getByRole(AriaRole.BUTTON, button("Another size")).click();
        page.getByLabel("New size").fill("15.5 cm");
        assertThat(page.getByText("suffices").first()).isVisible();
        page.getByLabel("In your words").fill("too wide");
        assertThat(Browser.axeViolations(page)).isEmpty();
        Browser.click(page, "Work on it");
        assertThat(page.getByText(Pattern.compile("^step \\d+ of \\d+$")).first())
                .not()
                .hasText(Pattern.compile("step 1 of.*"));
        goOn(page);
        assertThat(page.getByText("It is made.")).isVisible();

        Browser.go(page, "/orders/" + order);
        pieces.getByRole(AriaRole.LINK).first().click();
        Browser.click(page, "It came back and stays: to the shelf");
        assertThat(page.getByText("lies on the shelf")).isVisible();
        Browser.go(page, "/finished/shelf/count");
        assertThat(page.getByText("0 of 1 were seen today.")).isVisible();
        assertThat(Browser.axeViolations(page)).isEmpty();
        Browser.click(page, "It is here");
        assertThat(page.getByText("All that should lie on the shelf was seen today."))
                .isVisible();

        Browser.go(page, "/orders");
        page.getByLabel("Write an order").fill("1 snake 15.5 night oat for Yrsa");
        Browser.click(page, "Take the order");
        Locator offers = page.getByRole(AriaRole.REGION, region("On the shelf for this order"));
        assertThat(offers).containsText("the very same");
        Browser.click(page, "Take it from the shelf");
        assertThat(page.getByText("The piece goes with this order.")).isVisible();
        assertThat(offers).isHidden();
        assertThat(pieces).containsText("made");
    }

    private static Page.GetByRoleOptions region(String name) {
        return new Page.GetByRoleOptions().setName(name).setExact(true);
    }

    /** From wherever it stands to the last step. */
    private static void goOn(Page page) {
        Locator at = page.getByText(Pattern.compile("^step \\d+ of \\d+$")).first();
        String[] words = at.innerText().split(" ");
        int next = Integer.parseInt(words[1]);
        int steps = Integer.parseInt(words[3]);
        for (int step = next; step <= steps; step++) {
            assertThat(at).hasText("step " + step + " of " + steps);
            page.keyboard().press(" ");
        }
    }

    /** Step by step, gates and checks passed, until nothing is left to do. */
    private static void tie(Page page) {
        assertThat(page.getByText("step 1 of", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible();
        assertThat(page.getByLabel("Steps").getByRole(AriaRole.LISTITEM).count())
                .isGreaterThan(10);
        goOn(page);
    }
}
