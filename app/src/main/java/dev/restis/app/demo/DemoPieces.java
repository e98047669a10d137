package dev.restis.app.demo;

import dev.restis.app.cut.CutBench;
import dev.restis.app.cut.CutPlanning;
import dev.restis.app.orders.PieceActs;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.OpenWork;
import dev.restis.core.work.PieceAct;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** What is said of the pieces of the demo's customers. */
@Component
@ConditionalOnProperty(name = "restis.demo", havingValue = "true")
class DemoPieces {

    /** As many as there are. */
    static final int ALL = 0;

    private final DemoOrders orders;
    private final OpenWork openWork;
    private final Batches batches;
    private final CutPlanning cutPlanning;
    private final CutBench cutBench;
    private final PieceActs pieces;

    DemoPieces(
            DemoOrders orders,
            OpenWork openWork,
            Batches batches,
            CutPlanning cutPlanning,
            CutBench cutBench,
            PieceActs pieces) {
        this.orders = orders;
        this.openWork = openWork;
        this.batches = batches;
        this.cutPlanning = cutPlanning;
        this.cutBench = cutBench;
        this.pieces = pieces;
    }

    /** All pieces of these customers are cut as one batch. */
    void cut(String batch, String... customers) {
        cutBench.confirm(propose(batch, customers));
    }

    /** The list by which they would be. */
    long propose(String batch, String... customers) {
        List<Long> taken = List.of(customers).stream().map(orders::taken).toList();
        return cutPlanning.propose(List.of(batches.make(batch, openWork.allOf(taken))));
    }

    /** Does it with so many of a customer's pieces, act after act; answers which the last one was done with. */
    List<Long> say(String customer, int count, PieceAct... acts) {
        List<Long> done = List.of();
        for (PieceAct act : acts) {
            done = next(customer, act, count);
            pieces.act(act, done, null);
        }
        return done;
    }

    /** Those that an act would take next. */
    List<Long> next(String customer, PieceAct act, int count) {
        return pieces.next(orders.taken(customer), act, count, 0).stream()
                .map(p -> p.piece().piece())
                .toList();
    }
}
