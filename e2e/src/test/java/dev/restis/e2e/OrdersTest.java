package dev.restis.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import dev.restis.standins.ShopFeed;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every way an order comes in, at a desk and on a phone, and its life after that. */
class OrdersTest extends DemoTest {

    private static final int DESK = 1280;
    private static final int PHONE = 390;

    @Test
    void anOrderIsWrittenInALineAndItsUnclearWordChosen() {
        Page page = onAPhone("Tove", ColorScheme.LIGHT);
        page.getByLabel("Write an order").fill("2 spiral 12cm brine chalk rg25 for Ferry house");
        assertThat(page.getByText("Which is “spiral”?")).isVisible();
        page.getByRole(AriaRole.BUTTON, named("(spiral-fob)")).click();
        assertThat(page.getByText("Core cord: Brine").or(page.getByText("First cord: Brine")))
                .isVisible();
        assertThat(page.getByText("2 × Spiral key fob on a ring")).isVisible();
        fitsDeskAndPhone(page);
        page.getByRole(AriaRole.BUTTON, named("Take the order")).click();
        assertThat(page.getByText("Order of Ferry house taken.")).isVisible();
        assertThat(page.getByRole(AriaRole.HEADING, heading("2 × Spiral key fob on a ring")))
                .isVisible();
    }

    @Test
    void anOrderIsChosenInTheFormBesideItsPicture() {
        Page page = onAPhone("Tove", ColorScheme.LIGHT);
        Browser.go(page, "/orders/new?pattern=square-bar");
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Customer"))
                .fill("Sunniva");
        Locator picture = page.locator("figure img");
        String before = picture.getAttribute("src");
        page.getByLabel("or wrist").fill("7 1/4 in");
        assertThat(picture).not().hasAttribute("src", before);
        page.getByLabel("Pieces").fill("3");
        assertThat(page.getByText("Good").first()).isVisible();
        fitsDeskAndPhone(page);
        page.getByRole(AriaRole.BUTTON, named("Take the order")).click();
        assertThat(page.getByRole(AriaRole.HEADING, heading("3 × Square-knot bar")))
                .isVisible();
    }

    @Test
    void aGroupIsPastedAndEverybodyIsALine() {
        Page page = onAPhone("Bram", ColorScheme.DARK);
        Browser.go(page, "/orders/group");
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Customer"))
                .fill("Lower Lock Rowing Club");
        page.getByLabel("People and their sizes").fill("Runa\t16.5\nSefa\nWouter; XL");
        assertThat(page.getByText("This pattern needs a wrist or a size.")).isVisible();
        page.getByLabel("People and their sizes").fill("Runa\t16.5\nSefa 6 1/2 in\nWouter; XL");
        fitsDeskAndPhone(page);
        page.getByRole(AriaRole.BUTTON, named("Take the order of 3 pieces")).click();
        assertThat(page.getByText("Order of Lower Lock Rowing Club taken.")).isVisible();
        assertThat(page.getByText("Wouter", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    @Test
    void aShopsFileIsMappedMendedAndItsChangesAccepted() {
        Page page = onAPhone("Tove", ColorScheme.LIGHT);
        Browser.go(page, "/orders/import");
        String order = "Q-7";
        drop(page, order, "two");
        assertThat(page.getByText("Say which columns hold: colour 1.")).isVisible();
        page.getByLabel("colour 1 *").selectOption("A");
        assertThat(page.getByText("“two” is no quantity.")).isVisible();
        Browser.click(page, "Which column is what");
        page.getByLabel("colour 2", new Page.GetByLabelOptions().setExact(true)).selectOption("B");
        page.getByLabel("quantity of row 1").fill("2");
        Browser.click(page, "Mend");
        Browser.click(page, "Import the row");
        assertThat(page.getByText("1 row imported, 2 pieces to plan")).isVisible();

        Browser.go(page, "/orders/import");
        drop(page, order, "3");
        assertThat(page.getByText("2 → 3")).isVisible();
        assertThat(page.getByText("Nothing new to import")).isVisible();
        page.getByLabel("Take the change over").check();
        Browser.click(page, "Import the row");
        Browser.go(page, "/orders?query=" + order);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(order))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, heading("3 × Snake-knot band")))
                .isVisible();
    }

    @Test
    void aShopDeliversAndWhatItBrokeIsMendedInTheTray() throws Exception {
        Process shop = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElse("java"),
                        "-cp",
                        Path.of(ShopFeed.class
                                        .getProtectionDomain()
                                        .getCodeSource()
                                        .getLocation()
                                        .toURI())
                                .toString(),
                        ShopFeed.class.getName(),
                        browser.address(),
                        "harbour-kiosk-key",
                        "15",
                        "5",
                        "T-")
                .inheritIO()
                .start();
        assertThat(shop.waitFor()).isZero();
        Page page = onAPhone("Bram", ColorScheme.LIGHT);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Look at them"))
                .click();
        Locator changed = page.locator(".panel", new Page.LocatorOptions().setHasText("T-013"));
        assertThat(changed).containsText("The order says");
        Locator broken = page.locator(".panel", new Page.LocatorOptions().setHasText("T-015"));
        assertThat(broken).containsText("quantity");
        fitsDeskAndPhone(page);
        broken.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Look and mend"))
                .click();
        page.getByLabel("quantity of row 1").fill("2");
        Browser.click(page, "Mend");
        Browser.click(page, "Import the row");
        assertThat(page.getByText("1 row imported, 2 pieces to plan")).isVisible();
        Browser.go(page, "/orders/deliveries");
        changed.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside"))
                .click();
        assertThat(changed).hasCount(0);
        assertThat(broken).hasCount(0);
        Browser.go(page, "/orders/deliveries?show=all");
        assertThat(changed.first()).containsText("by Bram");
        assertThat(broken).containsText("Taken");
    }

    @Test
    void anOrderGoesFromDraftToSentAndIsMadeAgain() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        page.getByLabel("Write an order").fill("snake m night oat for Brisa");
        Browser.click(page, "Keep as a draft");
        assertThat(stateOfOrder(page, "Draft")).isVisible();
        Browser.click(page, "Name the price");
        assertThat(page.getByRole(AriaRole.HEADING, heading("Quote 1"))).isVisible();
        Browser.click(page, "Customer said yes");
        assertThat(page.getByText("The price stays as it was.")).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Plan these pieces"))
                .click();
        page.getByLabel("All that can be made").check();
        Browser.click(page, "Make a batch and plan its cuts");
        page.getByRole(AriaRole.BUTTON, named("Confirm: ")).click();
        assertThat(page.getByText("Cut and booked by Tove")).isVisible();
        Browser.go(page, "/orders?query=brisa");
        page.getByText("Brisa", exact()).click();
        Browser.click(page, "All cut pieces are made");
        Browser.click(page, "Finished pieces are sent");
        assertThat(stateOfOrder(page, "Sent")).isVisible();
        Browser.click(page, "More");
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("The same again"))
                .click();
        assertThat(stateOfOrder(page, "Draft")).isVisible();
        assertThat(page.getByText("The same again as")).isVisible();
    }

    /** One person and ten orders, of a piece each: planned, cut, made and sent, and no step between that nobody asked for. */
    @Test
    void aSmallHouseTakesFourActsAPieceAndLessThanTwoClicks() throws Exception {
        Load load = new Load(browser.address());
        for (int n = 0; n < 10; n++) {
            load.post("/api/orders", """
                    {"customer": "Small house", "lines": [{"quantity": 1, "choices":
                     {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2", "NT2"], "units": "METRIC"}}]}
                    """);
        }
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        page.addInitScript(
                "addEventListener('click', e => e.isTrusted && (localStorage.clicks = Number(localStorage.clicks ?? 0) + 1), true)");
        page.navigate("/plan");
        page.getByLabel("All that can be made").check();
        Browser.click(page, "Make a batch and plan its cuts");
        page.getByRole(AriaRole.BUTTON, named("Confirm: ")).click();
        assertThat(page.getByText("Cut and booked by Tove")).isVisible();
        Browser.go(page, "/orders?query=small%20house");
        for (String act : List.of("All cut pieces are made", "Finished pieces are sent")) {
            page.getByLabel("Choose all that are shown").check();
            Locator bar = page.getByRole(AriaRole.GROUP, link("With the chosen orders"));
            Locator button = bar.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(act));
            button.click();
            assertThat(bar).containsText("Takes 10 pieces of 10 orders.");
            button.click();
            assertThat(bar).isHidden();
        }
        assertThat(page.getByRole(AriaRole.ROW, link("Sent"))).hasCount(10);
        assertThat(((Number) page.evaluate("() => Number(localStorage.clicks)")).intValue())
                .isBetween(5, 19);
        assertThat(server().jdbc().sql("""
                        select distinct string_agg(e.act, ' ' order by e.id) from piece_event e join piece p on p.id = e.piece_id
                            join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                        where o.customer = 'Small house' group by p.id
                        """).query(String.class).list()).containsExactly("PLAN CUT FINISH SEND");
    }

    @Test
    void theSecondOfTwoPeopleSeesWhatTheFirstHasChangedAndLosesNothing() {
        Page first = signedIn("Tove", ColorScheme.LIGHT);
        first.getByLabel("Write an order").fill("snake m night oat for Ilka");
        Browser.click(first, "Keep as a draft");
        assertThat(stateOfOrder(first, "Draft")).isVisible();
        Page second = signedIn("Bram", ColorScheme.DARK);
        Browser.go(second, first.url().replaceFirst("^https?://[^/]+", ""));
        Browser.click(second, "Change");
        second.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Customer"))
                .fill("Ilka by the bridge");
        second.getByLabel("Note").fill("ring twice");
        Browser.click(first, "Change");
        first.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Customer"))
                .fill("Ilka at the quay");
        Browser.click(first, "Keep the change");
        assertThat(first.getByText("Ilka at the quay")).isVisible();

        Browser.click(second, "Keep the change");
        assertThat(second.getByText("Somebody made this “Ilka at the quay”")).isVisible();
        assertThat(second.getByLabel("Note")).hasValue("ring twice");
        // Kept again, it overwrites what was told.
        Browser.click(second, "Keep the change");
        Locator head = second.getByText("Ilka by the bridge");
        assertThat(head).isVisible();
        assertThat(second.getByText("ring twice")).isVisible();
    }

    /** Shown by the order's page alone: the list it was opened from stands until the page is there. */
    @Test
    void aCustomerIsMergedSeparatedAndFoundAgain() {
        Page page = signedIn("Tove", ColorScheme.LIGHT);
        for (String name : List.of("Tarn Rowers", "tarn rowers")) {
            Browser.go(page, "/orders/new?pattern=square-bar&customer=" + name);
            page.getByLabel("or wrist").fill("16.5 cm");
            page.getByRole(AriaRole.BUTTON, named("Take the order")).click();
            assertThat(page.getByRole(AriaRole.HEADING, heading("1 × Square-knot bar")))
                    .isVisible();
        }
        page.getByRole(AriaRole.LINK, named("tarn rowers")).click();
        assertThat(page.getByText("16.5 cm").first()).isVisible();
        Browser.click(page, "Merge");
        page.getByLabel("Is the same as").first().fill("Tarn");
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("Tarn Rowers").setExact(true))
                .click();
        Browser.click(page, "They are one");
        assertThat(page.getByRole(AriaRole.HEADING, heading("Tarn Rowers"))).isVisible();
        assertThat(page.getByRole(AriaRole.LINK, named("F-"))).hasCount(2);
        Browser.click(page, "Separate");
        assertThat(page.getByRole(AriaRole.LINK, named("F-"))).hasCount(1);
        Browser.go(page, "/customers");
        page.getByLabel("Search").fill("TARN");
        assertThat(page.getByRole(AriaRole.LINK, named("arn rowers"))).hasCount(2);
        Browser.go(page, "/orders/new?pattern=square-bar");
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Customer"))
                .fill("tarn r");
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("tarn rowers").setExact(true))
                .click();
        assertThat(page.getByText("Wrist as given on")).isVisible();
    }

    private Page onAPhone(String name, ColorScheme scheme) {
        return browser.signedIn(name, scheme, PHONE, 844);
    }

    private static void fitsDeskAndPhone(Page page) {
        for (int width : new int[] {DESK, PHONE}) {
            page.setViewportSize(width, 844);
            assertThat(Browser.scrollsSideways(page)).as("at %d px", width).isFalse();
        }
    }

    private static Locator stateOfOrder(Page page, String state) {
        return page.locator(".mantine-Badge-root", new Page.LocatorOptions().setHasText(state));
    }

    /** A file of a shop of its own, so that no other test has settled its columns. */
    private static void drop(Page page, String order, String quantity) {
        page.locator("input[type=file]").setInputFiles(shopFile(order + ";Marit;" + quantity + ";snake;NT2;OA2;16,5"));
        page.getByLabel("Where it comes from").fill("Shop " + order);
        page.getByLabel("Where it comes from").blur();
    }

    private static FilePayload shopFile(String row) {
        return new FilePayload(
                "shop.csv",
                "text/csv",
                ("Order no;Buyer;Qty;Item;A;B;Girth\n" + row + "\n").getBytes(StandardCharsets.UTF_8));
    }

    private static Page.GetByRoleOptions named(String part) {
        return new Page.GetByRoleOptions().setName(part);
    }

    private static Page.GetByRoleOptions heading(String part) {
        return new Page.GetByRoleOptions().setName(part);
    }

    private static Page.GetByTextOptions exact() {
        return new Page.GetByTextOptions().setExact(true);
    }
}
