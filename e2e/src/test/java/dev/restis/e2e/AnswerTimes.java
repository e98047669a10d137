package dev.restis.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** From a choice to its new picture in the browser; run by bin/restis bench, which prints the figures. */
@Tag("bench")
class AnswerTimes {

    private static final int WARM_UP = 15;
    private static final int CHOICES = 60;

    @Test
    void fromAChoiceToItsPicture() {
        try (Server server = new Server(true, Server.NOTHING_TIED, Server.NOTHING_PLANNED);
                Browser browser = new Browser(server.address(), 1)) {
            Page page = browser.signedIn("Tove", ColorScheme.LIGHT, 1280, 800);
            page.navigate("/orders/new?pattern=square-bar");
            page.locator("figure img").waitFor();
            measure(
                    page,
                    "order form, another wrist",
                    n -> page.getByLabel("or wrist").fill(fresh(140, 7, n)));
            page.navigate("/patterns/falls-tab");
            page.locator("figure img").waitFor();
            measure(
                    page,
                    "pattern page, another wrist",
                    n -> page.getByLabel("or wrist").fill(fresh(140, 7, n)));
            page.navigate("/patterns/new?from=spiral-fob");
            page.locator("figure img").waitFor();
            measure(
                    page,
                    "editor, another length",
                    n -> page.getByLabel("Finished length").fill(fresh(80, 5, n)));
        }
    }

    /** A length that was not asked about before, and far enough from the last to look different. */
    private static String fresh(int from, int step, int n) {
        return String.format(Locale.ROOT, "%.2f mm", from + step * n % 100 + n / 100.0);
    }

    private static void measure(Page page, String what, Consumer<Integer> choice) {
        List<Double> times = new ArrayList<>();
        for (int n = 0; n < WARM_UP + CHOICES; n++) {
            page.evaluate("""
                    () => {
                      const image = document.querySelector('figure img');
                      const before = image.src;
                      window.__answer = new Promise((done) => {
                        document.addEventListener('input', () => {
                          const start = performance.now();
                          setTimeout(() => done(-1), 5000);
                          const watch = new MutationObserver(() => {
                            if (image.src === before) return;
                            watch.disconnect();
                            image.decode().finally(() => requestAnimationFrame(() => done(performance.now() - start)));
                          });
                          watch.observe(image, { attributes: true, attributeFilter: ['src'] });
                        }, { once: true, capture: true });
                      });
                    }
                    """);
            choice.accept(n);
            double millis = ((Number) page.evaluate("() => window.__answer")).doubleValue();
            if (millis < 0) {
                throw new AssertionError("choice " + n + " of the " + what + " brought no new picture within 5 s");
            }
            if (n >= WARM_UP) {
                times.add(millis);
            }
        }
        Collections.sort(times);
        System.out.printf(
                Locale.ROOT,
                "%-32s median %4.0f ms, p95 %4.0f ms (bar: p95 150 ms)%n",
                what,
                times.get(times.size() / 2),
                times.get((int) (times.size() * 0.95)));
    }
}
