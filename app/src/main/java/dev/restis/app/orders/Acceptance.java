package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lines that the owner takes though a check says no, each with a reason. Whoever chooses the piece anew drops it. */
@Service
class Acceptance {

    private static final int LONGEST_REASON = 300;

    private final OrderStore store;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final PieceDesk desk;
    private final Clock clock;

    Acceptance(OrderStore store, OrderLocks locks, Standing standing, History history, PieceDesk desk, Clock clock) {
        this.store = store;
        this.locks = locks;
        this.standing = standing;
        this.history = history;
        this.desk = desk;
        this.clock = clock;
    }

    /**
     * Takes a line all the same.
     *
     * @throws Rejected without a reason
     * @throws Conflict when no check says no that may be taken
     */
    @Transactional
    public void accept(long order, long line, @Nullable String reason) {
        List<Fault> faults = new ArrayList<>();
        String why = Texts.required(reason, "reason", LONGEST_REASON, faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        OrderLine taken = line(locks.hold(order), line);
        PieceDesk.Sitting sitting = desk.sit();
        String check = sitting.workOut(taken.spec()).piece().checks().stream()
                .flatMap(c -> c.acceptable(taken.spec().wearer()).stream())
                .findFirst()
                .orElseThrow(() -> new Conflict("accept.nothing"));
        become(taken, new PieceSpec.Accepted(check, why, Workshop.whoever(), clock.instant()), sitting);
        history.note(order, What.TAKEN_ANYWAY, Map.of("line", taken.number(), "reason", why));
    }

    /**
     * Takes it no more.
     *
     * @throws Conflict when pieces of it are in a batch
     */
    @Transactional
    public void withdraw(long order, long line) {
        OrderLine taken = line(locks.hold(order), line);
        if (taken.spec().accepted() == null) {
            throw new Conflict("accept.nothing");
        }
        if (taken.pieces().stream().anyMatch(p -> !p.open())) {
            throw new Conflict("accept.planned");
        }
        become(taken, null, desk.sit());
        history.note(order, What.NOT_TAKEN_ANYWAY, Map.of("line", taken.number()));
    }

    private static OrderLine line(CustomerOrder order, long line) {
        return order.lines().stream()
                .filter(l -> l.id() == line)
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    private void become(OrderLine line, PieceSpec.@Nullable Accepted accepted, PieceDesk.Sitting sitting) {
        ReadLine now = line.read();
        PieceSpec spec = now.spec().taking(accepted);
        line.become(new ReadLine(
                now.number(),
                spec,
                now.quantity(),
                now.matching(),
                now.note(),
                Orders.Effort.of(sitting.workOut(spec))));
        store.flush();
        standing.refresh(List.of(line.order().id()));
    }
}
