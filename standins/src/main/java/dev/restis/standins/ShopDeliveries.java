package dev.restis.standins;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** What an invented web shop delivers in a day: most of it good, some of it repeated, late, changed or broken. */
final class ShopDeliveries {

    /** What is the matter with a delivery. */
    enum Kind {
        GOOD,
        /** A good one once more, word for word. */
        REPEATED,
        /** A good one with another quantity, sent later. */
        CHANGED,
        /** A good one that is sent before, but arrives after, one of the same order. */
        OVERTAKEN,
        BROKEN
    }

    /**
     * A delivery.
     *
     * @param sent how long after the first of the day it was sent; deliveries stand in the order they arrive in
     */
    record Delivery(Kind kind, Duration sent, String body) {}

    private static final List<String> CUSTOMERS =
            List.of("Ilka", "Åse & Jürgen", "Oda", "Marten", "Solveig", "Pell", "Runa", "Harbour kiosk");
    private static final List<String> COLOURS =
            List.of("NT2", "EM2", "LI2", "OA2", "HE2", "BR2", "MA2", "RO2", "CH2", "PI2");
    private static final List<String> SIZES = List.of("S", "M", "L");
    private static final List<String> BROKEN = List.of(
            "{\"reference\": \"%s\", \"customer\": \"Runa\", \"quan",
            "{\"reference\": \"%s\", \"customer\": \"\", \"quantity\": 1, \"pattern\": \"snake\", \"size\": \"M\", "
                    + "\"colours\": [\"NT2\", \"OA2\"]}",
            "{\"reference\": \"%s\", \"customer\": \"Pell\", \"quantity\": 0, \"pattern\": \"snake\", \"size\": \"M\", "
                    + "\"colours\": [\"NT2\", \"OA2\"]}",
            "{\"reference\": \"%s\", \"customer\": \"Oda\", \"quantity\": 2, \"pattern\": \"sea-serpent\", \"size\": \"M\", "
                    + "\"colours\": [\"NT2\", \"OA2\"]}",
            "{\"reference\": \"%s\", \"customer\": \"Marten\", \"quantity\": 1, \"pattern\": \"snake\", "
                    + "\"wrist\": \"16,5 hands\", \"colours\": [\"NT2\", \"ZZ9\"]}",
            "reference;customer\n%s;Solveig\n");

    private static final int MINUTES_APART = 7;

    private final Random random;
    private final String prefix;
    private final List<Delivery> deliveries = new ArrayList<>();
    private int made;

    private ShopDeliveries(long seed, String prefix) {
        this.random = new Random(seed);
        this.prefix = prefix;
    }

    /**
     * The same day for the same seed.
     *
     * @param prefix of the orders' references
     * @param orders how many orders there are, 1 or more
     */
    static List<Delivery> day(long seed, String prefix, int orders) {
        ShopDeliveries day = new ShopDeliveries(seed, prefix);
        for (int i = 0; i < orders; i++) {
            day.order(Kind.values()[i % Kind.values().length]);
        }
        return List.copyOf(day.deliveries);
    }

    private void order(Kind kind) {
        String reference = String.format(Locale.ROOT, "%s%03d", prefix, ++made);
        Duration sent = Duration.ofMinutes((long) MINUTES_APART * made);
        if (kind == Kind.BROKEN) {
            String broken = BROKEN.get((made / Kind.values().length - 1) % BROKEN.size());
            deliveries.add(new Delivery(kind, sent, String.format(Locale.ROOT, broken, reference)));
            return;
        }
        int quantity = 1 + random.nextInt(3);
        String rest = rest();
        Delivery first = new Delivery(Kind.GOOD, sent, body(reference, quantity, rest));
        Duration later = sent.plusMinutes(1);
        switch (kind) {
            case REPEATED -> {
                deliveries.add(first);
                deliveries.add(new Delivery(kind, later, first.body()));
            }
            case CHANGED -> {
                deliveries.add(first);
                deliveries.add(new Delivery(kind, later, body(reference, quantity + 1, rest)));
            }
            case OVERTAKEN -> {
                deliveries.add(new Delivery(Kind.GOOD, later, body(reference, quantity + 1, rest)));
                deliveries.add(new Delivery(kind, sent, first.body()));
            }
            default -> deliveries.add(first);
        }
    }

    /** Everything of an order but its reference and its quantity. */
    private String rest() {
        String first = any(COLOURS);
        String second = any(COLOURS);
        return String.format(
                Locale.ROOT,
                "\"customer\": \"%s\", \"pattern\": \"%s\", \"size\": \"%s\", \"colours\": [\"%s\", \"%s\"]",
                any(CUSTOMERS),
                any(List.of("snake", "square-bar")),
                any(SIZES),
                first,
                second);
    }

    private static String body(String reference, int quantity, String rest) {
        return String.format(Locale.ROOT, "{\"reference\": \"%s\", \"quantity\": %d, %s}", reference, quantity, rest);
    }

    private String any(List<String> all) {
        return all.get(random.nextInt(all.size()));
    }
}
