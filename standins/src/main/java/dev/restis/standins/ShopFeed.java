package dev.restis.standins;

import dev.restis.standins.ShopDeliveries.Delivery;
import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** A web shop that delivers its orders to Restis by HTTP, then ends. */
public final class ShopFeed {

    private static final Duration PATIENCE = Duration.ofSeconds(30);
    private static final int MOST_ORDERS = 1000;

    private ShopFeed() {}

    /**
     * Usage: address, key, number of orders (1 to 1000), seed, prefix of references. Ends with 0 when every delivery was
     * answered as one of its kind must be, with 1 when one was not, with 2 for wrong arguments.
     */
    public static void main(String[] args) throws IOException, InterruptedException {
        if (args.length != 5 || !args[2].matches("\\d{1,4}") || !args[3].matches("-?\\d{1,18}")) {
            System.err.println("Usage: ShopFeed ADDRESS KEY ORDERS SEED PREFIX");
            System.exit(2);
        }
        URI address = URI.create(args[0]);
        if (!InetAddress.getByName(address.getHost()).isLoopbackAddress()) {
            System.err.println("The stand-in shop delivers to this machine only, not to " + address.getHost() + ".");
            System.exit(2);
        }
        int orders = Math.max(1, Math.min(MOST_ORDERS, Integer.parseInt(args[2])));
        boolean asExpected = deliver(address, args[1], ShopDeliveries.day(Long.parseLong(args[3]), args[4], orders));
        System.exit(asExpected ? 0 : 1);
    }

    private static boolean deliver(URI address, String key, List<Delivery> deliveries)
            throws IOException, InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        Instant start = Instant.now().minus(Duration.ofDays(1));
        Map<String, Integer> answers = new TreeMap<>();
        boolean asExpected = true;
        for (Delivery delivery : deliveries) {
            String sent = URLEncoder.encode(start.plus(delivery.sent()).toString(), StandardCharsets.UTF_8);
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(address.resolve("/api/feed?sent=" + sent))
                            .timeout(PATIENCE)
                            .header("Authorization", "Bearer " + key)
                            .header("Content-Type", "application/json")
                            .POST(HttpRequest.BodyPublishers.ofString(delivery.body()))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            boolean expected = answer.statusCode() == expected(delivery);
            asExpected &= expected;
            String state = answer.body().replaceFirst("(?s).*\"state\":\"([A-Z_]+)\".*", "$1");
            String said = String.format(
                    Locale.ROOT, "%-10s %d %s", delivery.kind(), answer.statusCode(), expected ? state : answer.body());
            answers.merge(said, 1, Integer::sum);
        }
        answers.forEach((said, times) -> System.out.printf(Locale.ROOT, "%4d x %s%n", times, said));
        return asExpected;
    }

    /** New orders are created; what is there already or overtaken is fine; the rest is accepted into the tray. */
    private static int expected(Delivery delivery) {
        return switch (delivery.kind()) {
            case GOOD -> 201;
            case REPEATED, OVERTAKEN -> 200;
            case CHANGED, BROKEN -> 202;
        };
    }
}
