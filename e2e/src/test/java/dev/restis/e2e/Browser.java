package dev.restis.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.ConsoleMessage;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;

/** Headless Chromium on one server; remembers every console error, failed request and request that leaves the machine. */
final class Browser implements AutoCloseable {

    private static final int SETTLED_MS = 2_000;

    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private static final String EMPTY = "about:blank";
    private static final int CONFLICT = 409;
    private static final String ASKS_NOTHING = "/patterns/read";

    private final Playwright playwright;
    private final com.microsoft.playwright.Browser chromium;
    private final String address;
    private final double scale;
    private final List<String> troubles = new ArrayList<>();
    private final List<Response> conflicts = new ArrayList<>();
    /** Refused input answers with 422, and a network that a test cuts is missed, which the browser logs. */
    private final List<String> expected =
            new CopyOnWriteArrayList<>(List.of("status of 422", "ERR_INTERNET_DISCONNECTED"));
    /** The browsers of those who signed in, by their names: whoever comes again finds the pages' parts kept. */
    private final Map<String, BrowserContext> signedIn = new HashMap<>();

    /** For tests: nobody looks at the pixels, and drawing them is much of a browser's work; sizes are those of the page. */
    Browser(String address) {
        this(address, 0.25);
    }

    /** @param scale pixels that are drawn for one of the page's */
    Browser(String address, double scale) {
        this.scale = scale;
        // A loaded machine may take longer than the five seconds that are usual.
        PlaywrightAssertions.setDefaultAssertionTimeout(15_000);
        this.address = address;
        this.playwright = Playwright.create();
        this.chromium = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                        .setArgs(FLAGS));
    }

    /** A page in a browser of its own that remembers nothing. */
    Page open(ColorScheme scheme, int width, int height) {
        return open(context(), scheme, width, height);
    }

    /** A page at the orders, of somebody who signed in: once, and is remembered. */
    Page signedIn(String name, ColorScheme scheme, int width, int height) {
        BrowserContext known = signedIn.get(name);
        if (known == null) {
            BrowserContext context = context();
            Page page = open(context, scheme, width, height);
            signIn(page, name);
            signedIn.put(name, context);
            return page;
        }
        // A page that is left over costs half of a new one.
        Page page = known.pages().stream()
                .filter(left -> left.url().equals(EMPTY))
                .findFirst()
                .map(left -> seen(left, scheme, width, height))
                .orElseGet(() -> open(known, scheme, width, height));
        page.navigate("/orders");
        heading(page, "Orders");
        return page;
    }

    private BrowserContext context() {
        BrowserContext context = chromium.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setBaseURL(address)
                .setLocale("en-GB")
                .setDeviceScaleFactor(scale)
                // What fades and slides is waited for, and proves nothing.
                .setReducedMotion(ReducedMotion.REDUCE));
        context.setDefaultTimeout(12_000);
        context.addInitScript("""
                window.__shift = 0;
                new PerformanceObserver(list => {
                  for (const entry of list.getEntries()) if (!entry.hadRecentInput) window.__shift += entry.value;
                }).observe({ type: 'layout-shift', buffered: true });
                """);
        return context;
    }

    private Page open(BrowserContext context, ColorScheme scheme, int width, int height) {
        Page page = seen(context.newPage(), scheme, width, height);
        page.onConsoleMessage(this::remember);
        page.onPageError(error -> troubles.add("page error: " + error));
        page.onRequest(request -> {
            if (!request.url().startsWith(address)
                    && !request.url().startsWith("data:")
                    && !request.url().startsWith("blob:")) {
                troubles.add("left the machine: " + request.url());
            }
        });
        page.onResponse(response -> {
            if (response.status() >= 500) {
                troubles.add(response.status() + " " + response.url());
            } else if (response.status() == CONFLICT) {
                conflicts.add(response);
            }
        });
        return page;
    }

    private static Page seen(Page page, ColorScheme scheme, int width, int height) {
        page.setViewportSize(width, height);
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
        return page;
    }

    /** What is not expected counts. */
    private void remember(ConsoleMessage message) {
        boolean known = expected.stream().anyMatch(message.text()::contains);
        if (message.type().equals("error") && !known) {
            troubles.add("console: " + message.text() + " at " + message.location());
        }
    }

    /** Leaves all pages, for one that stands open goes on asking; what somebody chose for their browser is forgotten. */
    void leavePages() {
        for (BrowserContext context : List.copyOf(chromium.contexts())) {
            if (!signedIn.containsValue(context)) {
                context.close();
                continue;
            }
            for (Page page : context.pages()) {
                if (!page.url().equals(EMPTY)) {
                    page.evaluate("() => localStorage.clear()");
                    page.navigate(EMPTY);
                }
            }
        }
    }

    /** A test brings about what the browser logs as an error. */
    void expecting(String line) {
        expected.add(line);
    }

    String address() {
        return address;
    }

    List<String> troubles() {
        return List.copyOf(troubles);
    }

    /** What conflicts were answered with, for whoever wonders at a trouble; not to be asked in the middle of an event. */
    List<String> conflicts() {
        return conflicts.stream()
                .map(response -> response.request().postData() + " -> " + response.text())
                .toList();
    }

    static void signIn(Page page, String name) {
        page.navigate("/");
        page.getByLabel("Your name").fill(name);
        page.getByLabel("Password", new Page.GetByLabelOptions().setExact(true)).fill("harbour-lantern");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in"))
                .click();
        heading(page, "Today");
        page.navigate("/orders");
        heading(page, "Orders");
    }

    /**
     * Another view of the application that is open, as its links and the browser's own buttons open it: a tenth of the work of
     * loading it anew. Past a page that asks for nothing, so that nothing of the view before is taken for the next one's.
     */
    static void go(Page page, String path) {
        show(page, "push", ASKS_NOTHING);
        Locator between = page.getByRole(
                AriaRole.HEADING,
                new Page.GetByRoleOptions().setName("Read from JSON").setLevel(1));
        between.waitFor();
        if (!path.equals(ASKS_NOTHING)) {
            show(page, "replace", path);
            between.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
        }
    }

    private static void show(Page page, String how, String path) {
        page.evaluate("""
                ([how, path]) => {
                  window.__shift = 0;
                  history[`${how}State`](null, '', path);
                  dispatchEvent(new PopStateEvent('popstate', { state: null }));
                }
                """, List.of(how, path));
    }

    static void heading(Page page, String name) {
        page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName(name).setLevel(1))
                .waitFor();
    }

    static void click(Page page, String button) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button))
                .first()
                .click();
    }

    /** Waits until a view has its heading, and nothing of it is waited for any more. */
    static void settled(Page page) {
        page.waitForFunction("""
                () => document.querySelector('main h1, form h1') && !document.querySelector('[aria-busy=true]')
                """);
    }

    /** Changes the colour scheme, without waiting for colours that fade. */
    static void turn(Page page, ColorScheme scheme) {
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
        page.waitForFunction(
                "scheme => document.documentElement.dataset.mantineColorScheme === scheme",
                scheme.name().toLowerCase(Locale.ROOT));
        page.evaluate("() => document.getAnimations().forEach(animation => animation.finish())");
    }

    /** All rules, of the whole page. */
    static List<String> axeViolations(Page page) {
        return axeViolations(page, "html", List.of());
    }

    /**
     * @param within what is looked at
     * @param rules those to look at; all when none is named
     */
    @SuppressWarnings("unchecked")
    static List<String> axeViolations(Page page, String within, List<String> rules) {
        if (Boolean.FALSE.equals(page.evaluate("() => 'axe' in window"))) {
            page.evaluate(AxeBuilder.getAxeScript());
        }
        return (List<String>) page.evaluate("""
                async ([within, rules]) => {
                  const { violations } = await axe.run(within, {
                    // What holds is not described node by node: that is most of the work.
                    resultTypes: ['violations'],
                    ...(rules.length ? { runOnly: rules } : {}),
                  });
                  return violations.map(v => `${v.id}: ${v.help} at ${v.nodes[0].target} ${v.nodes[0].html}`);
                }
                """, List.of(within, rules));
    }

    static double layoutShift(Page page) {
        return ((Number) page.evaluate("() => window.__shift")).doubleValue();
    }

    /** Whether it does, once a change of its width has come to rest. */
    static boolean scrollsSideways(Page page) {
        try {
            page.waitForFunction(
                    "() => document.documentElement.scrollWidth <= window.innerWidth",
                    null,
                    new Page.WaitForFunctionOptions().setTimeout(SETTLED_MS));
            return false;
        } catch (TimeoutError stays) {
            return true;
        }
    }

    @Override
    public void close() {
        chromium.close();
        playwright.close();
    }
}
