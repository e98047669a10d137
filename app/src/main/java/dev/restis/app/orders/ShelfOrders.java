package dev.restis.app.orders;

import dev.restis.app.orders.CustomerOrder.OrderHead;
import dev.restis.app.orders.History.What;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.OrderStage;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Orders of the house itself, for its shelf. */
@Service
public class ShelfOrders {

    private static final int MOST = 50;

    private final OrderPieces pieces;
    private final Orders orders;
    private final Standing standing;
    private final History history;
    private final Workshop workshop;
    private final PieceDesk desk;

    ShelfOrders(
            OrderPieces pieces, Orders orders, Standing standing, History history, Workshop workshop, PieceDesk desk) {
        this.pieces = pieces;
        this.orders = orders;
        this.standing = standing;
        this.history = history;
        this.workshop = workshop;
        this.desk = desk;
    }

    /**
     * Orders pieces like those of a line for the shelf, in the newest version of their pattern.
     *
     * @param count how many, from 1 to 50
     * @return the new order
     * @throws Rejected when they cannot be made any more
     */
    @Transactional
    public long make(long line, int count) {
        if (count < 1 || count > MOST) {
            throw new Rejected(Fault.of("count", "count.range", count, 1, MOST));
        }
        PieceDesk.Sitting sitting = desk.sit();
        PieceDesk.Understood now = sitting.understand(sitting.choices(pieces.specOf(line)));
        ReadLine read = now.spec()
                .map(spec -> new ReadLine(1, spec, count, false, "", Orders.Effort.of(sitting.workOut(spec))))
                .orElseThrow(() -> new Rejected(now.faults()));
        CustomerOrder made = orders.save(
                new OrderHead(
                        Orders.FORM, orders.nextReference(), workshop.house().name(), null, ""),
                OrderStage.ACCEPTED,
                List.of(read),
                sitting);
        // Nobody else knows it yet, so that it needs no lock.
        made.forShelf(true);
        history.note(made.id(), What.FOR_SHELF, Map.of());
        standing.refresh(List.of(made.id()));
        return made.id();
    }
}
