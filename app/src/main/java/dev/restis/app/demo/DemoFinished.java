package dev.restis.app.demo;

import static dev.restis.app.demo.DemoPieces.ALL;
import static dev.restis.app.demo.DemoWorkshop.MAKER;
import static dev.restis.app.demo.DemoWorkshop.OWNER;

import dev.restis.app.finished.Shelf;
import dev.restis.app.finished.Shelf.SaleInput;
import dev.restis.app.orders.Payments;
import dev.restis.app.orders.Payments.How;
import dev.restis.app.orders.Payments.PaymentInput;
import dev.restis.app.orders.ShelvedPieces;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.app.workshop.Ways;
import dev.restis.app.workshop.Ways.Way;
import dev.restis.app.workshop.Workshop;
import dev.restis.app.workshop.Workshop.House;
import dev.restis.core.work.PieceAct;
import java.util.List;
import java.util.Map;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * What became of what was made: some was paid for, one piece came back, some lies on the shelf and one of it was sold at the stall. Left
 * out with {@code restis.demo-plan=false}.
 */
@Component
@ConditionalOnProperty(
        name = {"restis.demo", "restis.demo-bench", "restis.demo-plan"},
        havingValue = "true")
class DemoFinished {

    private static final String HOUSE = "Ullin Bench";
    private static final int FOR_THE_SHELF = 4;

    private final DemoOrders orders;
    private final DemoPieces pieces;
    private final ShelvedPieces shelved;
    private final Shelf shelf;
    private final Payments payments;
    private final Ways ways;
    private final Workshop workshop;
    private final SettingRevisions settings;

    DemoFinished(
            DemoOrders orders,
            DemoPieces pieces,
            ShelvedPieces shelved,
            Shelf shelf,
            Payments payments,
            Ways ways,
            Workshop workshop,
            SettingRevisions settings) {
        this.orders = orders;
        this.pieces = pieces;
        this.shelved = shelved;
        this.shelf = shelf;
        this.payments = payments;
        this.ways = ways;
        this.workshop = workshop;
        this.settings = settings;
    }

    List<DemoEntry> calendar() {
        return List.of(
                new DemoEntry(-8, "11:20", OWNER, this::settle),
                new DemoEntry(-7, "16:10", OWNER, this::takeForTheShelf),
                new DemoEntry(-7, "16:40", MAKER, () -> pieces.cut("For the shelf", HOUSE)),
                new DemoEntry(-6, "15:30", MAKER, () -> pieces.say(HOUSE, ALL, PieceAct.FINISH, PieceAct.CHECK)),
                new DemoEntry(-4, "17:30", OWNER, () -> pay("Ferry crew", "40", How.TRANSFER)),
                new DemoEntry(-2, "12:20", OWNER, this::comeBack),
                new DemoEntry(-1, "14:10", OWNER, this::sellAtTheStall));
    }

    private void settle() {
        House house = workshop.house();
        workshop.keepHouse(
                new House(house.name(), house.currency(), house.zone(), "Net Lane 3\nSkarrow Quay", house.revision()));
        ways.keep(List.of(new Way("Harbour post", 3), new Way("Bicycle courier", 1)), settings.of(Setting.WAYS));
    }

    private void takeForTheShelf() {
        orders.take(HOUSE, "in 24 days", FOR_THE_SHELF, "snake", "17 cm", null, List.of("PI2", "RO2"), false, Map.of());
        shelved.forShelf(orders.taken(HOUSE), true);
    }

    private void pay(String customer, String amount, How how) {
        payments.note(orders.taken(customer), new PaymentInput(amount, how, null, null, false));
    }

    /** One piece was not what its customer wanted; it stays with the house. */
    private void comeBack() {
        List<Long> back = pieces.say("Ferry crew", 1, PieceAct.COME_BACK);
        back.forEach(shelf::keep);
    }

    private void sellAtTheStall() {
        shelf.sell(pieces.next(HOUSE, PieceAct.PACK, 1).get(0), new SaleInput("9.50", How.CASH, "harvest fair"));
    }
}
