package dev.restis.app.demo;

import static dev.restis.app.demo.DemoPieces.ALL;
import static dev.restis.app.demo.DemoWorkshop.MAKER;
import static dev.restis.app.demo.DemoWorkshop.OWNER;

import dev.restis.app.orders.Payments;
import dev.restis.app.orders.Payments.How;
import dev.restis.app.orders.Payments.PaymentInput;
import dev.restis.app.patterns.PieceChoices.PartChoice;
import dev.restis.app.stock.Stocktakes;
import dev.restis.app.stock.Stocktakes.CountInput;
import dev.restis.app.stock.Stocktakes.CountLine;
import dev.restis.app.stock.Stocktakes.CountReason;
import dev.restis.app.stock.Stocktakes.NewStocktake;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.work.PieceAct;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * The month before: what Ullin Bench made, sent and was paid for, bought and counted, so that figures of two months stand beside each other.
 * Left out with {@code restis.demo-plan=false}.
 */
@Component
@ConditionalOnProperty(
        name = {"restis.demo", "restis.demo-bench", "restis.demo-plan"},
        havingValue = "true")
class DemoMonth {

    /** The first day of the demo, where it has this month. */
    static final int BEGINS = -40;

    private static final int TIED_BY_EACH = 1;

    private final DemoShelves shelves;
    private final DemoOrders orders;
    private final DemoPieces pieces;
    private final DemoBench bench;
    private final Payments payments;
    private final Stocktakes stocktakes;

    DemoMonth(
            DemoShelves shelves,
            DemoOrders orders,
            DemoPieces pieces,
            DemoBench bench,
            Payments payments,
            Stocktakes stocktakes) {
        this.shelves = shelves;
        this.orders = orders;
        this.pieces = pieces;
        this.bench = bench;
        this.payments = payments;
        this.stocktakes = stocktakes;
    }

    List<DemoEntry> calendar() {
        return List.of(
                new DemoEntry(-38, "10:15", OWNER, this::takeTheFirst),
                new DemoEntry(-37, "15:30", MAKER, () -> pieces.cut("First pieces", "Harbour school", "Toll house")),
                new DemoEntry(-36, "07:30", OWNER, () -> bench.tie("Harbour school", -36, TIED_BY_EACH)),
                new DemoEntry(-36, "07:30", MAKER, () -> bench.tie("Toll house", -36, TIED_BY_EACH)),
                new DemoEntry(-34, "16:20", OWNER, () -> pieces.say("Harbour school", ALL, PieceAct.FINISH)),
                new DemoEntry(-34, "16:40", MAKER, () -> pieces.say("Toll house", ALL, PieceAct.FINISH)),
                new DemoEntry(-33, "11:00", OWNER, () -> pieces.say("Harbour school", ALL, PieceAct.SEND)),
                new DemoEntry(-32, "09:20", OWNER, () -> pay("Harbour school", "48", How.TRANSFER)),
                new DemoEntry(-31, "12:10", OWNER, () -> pieces.say("Toll house", 2, PieceAct.SEND)),
                new DemoEntry(-29, "12:05", OWNER, () -> pieces.say("Toll house", ALL, PieceAct.SEND)),
                new DemoEntry(-28, "16:45", OWNER, () -> pay("Toll house", "30", How.CASH)),
                new DemoEntry(-26, "09:40", OWNER, this::receiveMore),
                new DemoEntry(-25, "17:10", OWNER, this::takeTheNext),
                new DemoEntry(-24, "15:10", MAKER, () -> pieces.cut("Lamp week", "Chart room", "Pilot boat")),
                new DemoEntry(-21, "16:30", MAKER, () -> pieces.say("Pilot boat", ALL, PieceAct.FINISH)),
                new DemoEntry(-20, "15:50", OWNER, () -> pieces.say("Chart room", ALL, PieceAct.FINISH)),
                new DemoEntry(-18, "10:00", OWNER, this::count),
                new DemoEntry(-15, "14:30", OWNER, () -> pieces.say("Pilot boat", ALL, PieceAct.SEND)),
                new DemoEntry(-13, "11:45", OWNER, () -> pieces.say("Chart room", ALL, PieceAct.SEND)),
                new DemoEntry(-12, "10:25", OWNER, () -> pay("Pilot boat", "36", How.CARD)));
    }

    private void takeTheFirst() {
        shelves.receive("RO2", "RO-01", 1, "50 m", "8.20", "B1", null);
        shelves.receive("PI2", "PI-11", 1, "50 m", "7.40", "B2", null);
        bands("Harbour school", "in 8 days", 6, "snake", "15.5 cm", Map.of());
        bands("Toll house", "in 11 days", 4, "square-bar", "17 cm", Map.of("bead", new PartChoice("HB9", 2)));
    }

    private void receiveMore() {
        shelves.receive("RO2", "RO-03", 1, "100 m", "14.90", "B1", "1.2 m");
        shelves.receive("PI2", "PI-12", 1, "100 m", "13.90", "B2", null);
        shelves.receive("RG25", "RG-4", 1, "50", "11.50", "C2", null);
    }

    private void takeTheNext() {
        orders.take(
                "Chart room",
                "in 14 days",
                5,
                "spiral-fob",
                null,
                "12 cm",
                List.of("RO2", "PI2"),
                false,
                Map.of("ring", DemoOrders.part("RG25")));
        bands("Pilot boat", "in 12 days", 6, "snake", "17 cm", Map.of());
    }

    private void bands(
            String customer,
            String due,
            int quantity,
            String pattern,
            @Nullable String wrist,
            Map<String, PartChoice> parts) {
        orders.take(customer, due, quantity, pattern, wrist, null, List.of("RO2", "PI2"), false, parts);
    }

    private void pay(String customer, String amount, How how) {
        payments.note(orders.taken(customer), new PaymentInput(amount, how, null, null, false));
    }

    /** A shelf is counted; of one box a bead has rolled away. */
    private void count() {
        long count = stocktakes.start(new NewStocktake(null, "C1", false));
        List<CountReason> reasons = new ArrayList<>();
        for (CountLine line : stocktakes.lines(count)) {
            long there = line.expected() == null ? 0 : line.expected();
            boolean oneLess = reasons.isEmpty();
            stocktakes.count(
                    count,
                    line.holdingId(),
                    new CountInput(
                            String.valueOf(oneLess ? there - 1 : there),
                            null,
                            Stocktakes.How.COUNT,
                            UnitSystem.METRIC));
            if (oneLess) {
                reasons.add(new CountReason(line.holdingId(), "rolled under the bench"));
            }
        }
        stocktakes.book(count, reasons);
    }
}
