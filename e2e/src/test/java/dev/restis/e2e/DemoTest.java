package dev.restis.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;

/** A browser on a demo workshop that the tests of a class share; nothing may go wrong behind the pages. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class DemoTest {

    private Server server;
    Browser browser;

    @BeforeAll
    void start() {
        server = Server.demo();
        browser = new Browser(server.address());
    }

    Server server() {
        return server;
    }

    @AfterAll
    void stop() {
        browser.close();
    }

    @AfterEach
    void nothingWentWrong() {
        // Asked before the pages are left, which takes the answers with them.
        List<String> conflicts = browser.troubles().isEmpty() ? List.of() : browser.conflicts();
        browser.leavePages();
        assertThat(browser.troubles()).as("conflicts: %s", conflicts).isEmpty();
    }

    Page signedIn(String name, ColorScheme scheme) {
        return browser.signedIn(name, scheme, 1280, 800);
    }

    static void choose(Page page, String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .first()
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option))
                .click();
    }

    static Page.GetByRoleOptions link(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    static Page.GetByRoleOptions button(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }
}
