package dev.restis.e2e;

import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntFunction;
import java.util.function.Supplier;

/** Requests to one server at a steady pace; each is timed from when it was due, so that a jam counts in full. */
final class Load {

    private static final int A_SECOND = 50;
    private static final int WARM_UP = 100;
    private static final int WARM_UP_S = 1;
    private static final int SECONDS = 6;
    /** One in so many requests of a mixture is an act. */
    private static final int ONE_ACT_IN = 10;

    private static final int ACCEPTED = 202;

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private final String address;
    private final String about;

    /** Something that is done, with its body as JSON. */
    record Act(String path, String body) {}

    Load(String address) throws Exception {
        this(address, "");
    }

    /** @param about what stands before each figure */
    Load(String address, String about) throws Exception {
        this.address = address;
        this.about = about;
        ask("/api/session");
        post("/api/sign-in", "application/json", "{\"name\": \"Tove\", \"password\": \"harbour-lantern\"}".getBytes());
        ask("/api/session");
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).timeout(Duration.ofMinutes(3));
    }

    String ask(String path) throws Exception {
        return http.send(request(path).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private HttpRequest posting(String path, String type, byte[] body) {
        String token = cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
        return request(path)
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", token)
                .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                .build();
    }

    /** Posts JSON, and answers how long it took in milliseconds. */
    double post(String path, String body) throws Exception {
        return post(path, "application/json", body.getBytes(StandardCharsets.UTF_8));
    }

    /** Posts, and answers how long it took in milliseconds. */
    double post(String path, String type, byte[] body) throws Exception {
        long start = System.nanoTime();
        HttpResponse<String> answer = http.send(posting(path, type, body), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 400) {
            throw new AssertionError(path + " answered " + answer.statusCode() + ": " + answer.body());
        }
        if (answer.statusCode() == ACCEPTED) {
            await(answer.body().replaceAll("\\D", ""));
        }
        return (System.nanoTime() - start) / 1e6;
    }

    /** Waits until long work is done. */
    private void await(String job) throws Exception {
        String now = ask("/api/jobs/" + job);
        while (now.contains("\"WAITING\"") || now.contains("\"RUNNING\"")) {
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(100));
            now = ask("/api/jobs/" + job);
        }
        if (!now.contains("\"DONE\"")) {
            throw new AssertionError("job " + job + " ended as " + now);
        }
    }

    /** Asks one after the other until the server has seen it all before. */
    void warmUp(IntFunction<String> path) throws Exception {
        for (int n = 0; n < WARM_UP; n++) {
            ask(path.apply(n));
        }
    }

    /** Asks for {@code path} of 0, 1, 2 ..., {@value #A_SECOND} times a second, and prints median and p95. */
    void measure(String what, IntFunction<String> path) throws Exception {
        answers(what, n -> http.sendAsync(request(path.apply(n)).build(), HttpResponse.BodyHandlers.ofByteArray()));
    }

    /** Asks one after the other: for what reads everything there is, and nobody asks for fifty times a second. */
    void oneByOne(String what, IntFunction<String> path) throws Exception {
        List<Double> times = new ArrayList<>();
        for (int n = 0; n < A_SECOND; n++) {
            long start = System.nanoTime();
            ask(path.apply(n));
            times.add((System.nanoTime() - start) / 1e6);
        }
        Collections.sort(times);
        tell(
                "%-40s median %4.0f ms, p95 %4.0f ms one by one (bar: none)",
                what, times.get(times.size() / 2), times.get((int) (times.size() * 0.95)));
    }

    /** The same, but one in {@value #ONE_ACT_IN} is an act. */
    void measureMixed(String what, IntFunction<String> path, Supplier<Act> acts) throws Exception {
        // One hand cuts: no act begins before the one before it is answered.
        AtomicReference<CompletableFuture<HttpResponse<byte[]>>> before = new AtomicReference<>();
        answers(what, n -> {
            if (n % ONE_ACT_IN > 0) {
                return http.sendAsync(request(path.apply(n)).build(), HttpResponse.BodyHandlers.ofByteArray());
            }
            Act act = acts.get();
            HttpRequest asked =
                    posting(act.path(), "application/json", act.body().getBytes(StandardCharsets.UTF_8));
            CompletableFuture<HttpResponse<byte[]>> last = before.get();
            CompletableFuture<HttpResponse<byte[]>> next = last == null
                    ? http.sendAsync(asked, HttpResponse.BodyHandlers.ofByteArray())
                    : last.thenCompose(done -> http.sendAsync(asked, HttpResponse.BodyHandlers.ofByteArray()));
            before.set(next);
            return next;
        });
    }

    private void answers(String what, IntFunction<CompletableFuture<HttpResponse<byte[]>>> asking) throws Exception {
        List<CompletableFuture<Double>> answers = new ArrayList<>();
        long start = System.nanoTime();
        for (int n = 0; n < A_SECOND * (WARM_UP_S + SECONDS); n++) {
            long due = start + n * TimeUnit.SECONDS.toNanos(1) / A_SECOND;
            TimeUnit.NANOSECONDS.sleep(Math.max(0, due - System.nanoTime()));
            answers.add(asking.apply(n).thenApply(answer -> {
                if (answer.statusCode() >= 300) {
                    throw new AssertionError(answer.uri() + " answered " + answer.statusCode());
                }
                return (System.nanoTime() - due) / 1e6;
            }));
        }
        List<Double> times = new ArrayList<>();
        for (CompletableFuture<Double> answer : answers.subList(A_SECOND * WARM_UP_S, answers.size())) {
            times.add(answer.get());
        }
        Collections.sort(times);
        tell(
                "%-40s median %4.0f ms, p95 %4.0f ms (bar: p95 60 ms at 50 a second)",
                what, times.get(times.size() / 2), times.get((int) (times.size() * 0.95)));
    }

    /** Prints a figure. */
    @SuppressWarnings("AnnotateFormatMethod")
    void tell(String format, Object... figures) {
        System.out.println(about + String.format(Locale.ROOT, format, figures));
    }
}
