package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.pieces.CuttingWentOn;
import dev.restis.app.pieces.PieceMoved;
import dev.restis.core.work.PieceAct;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Notes in each order's history what became of its pieces, and where it stands by it; what is given up is made anew. */
@Component
class PiecesHeard {

    private final PieceStore store;
    private final JdbcClient jdbc;
    private final Standing standing;
    private final History history;

    PiecesHeard(PieceStore store, JdbcClient jdbc, Standing standing, History history) {
        this.store = store;
        this.jdbc = jdbc;
        this.standing = standing;
        this.history = history;
    }

    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void moved(PieceMoved moved) {
        Map<Long, Long> byOrder = ordersOf(moved.pieces());
        if (moved.act() == PieceAct.GIVE_UP) {
            store.findAllById(moved.pieces()).stream()
                    .filter(p -> !p.shelved())
                    .forEach(p -> p.line().replace(p));
        } else if (moved.tookBack().filter(a -> a == PieceAct.GIVE_UP).isPresent()) {
            store.findAllById(moved.pieces()).forEach(p -> p.line().keep(store.insteadOf(p.id())));
        }
        what(moved.act(), moved.tookBack())
                .ifPresent(
                        what -> byOrder.forEach((order, count) -> history.note(order, what, Map.of("pieces", count))));
        standing.refresh(byOrder.keySet());
    }

    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void moved(CuttingWentOn cutting) {
        standing.refresh(ordersOf(cutting.pieces()).keySet());
    }

    private Map<Long, Long> ordersOf(Collection<Long> pieces) {
        Map<Long, Long> byOrder = new TreeMap<>();
        jdbc.sql("""
                        select l.order_id, count(*) from piece p join order_line l on l.id = p.line_id
                        where p.id = any (?) group by l.order_id
                        """).param(pieces.toArray(Long[]::new)).query(row -> {
            byOrder.put(row.getLong(1), row.getLong(2));
        });
        return byOrder;
    }

    /** Its name in the history; that a piece is begun at the cutting bench is no news to its order. */
    private static Optional<What> what(PieceAct act, Optional<PieceAct> tookBack) {
        return switch (act) {
            case PLAN -> Optional.of(What.PLANNED);
            case RELEASE -> Optional.of(What.RELEASED);
            case CUT -> Optional.of(What.CUT);
            case START -> Optional.of(What.STARTED);
            case FINISH -> Optional.of(What.MADE);
            case CHECK -> Optional.of(What.CHECKED);
            case PACK -> Optional.of(What.PACKED);
            case SEND -> Optional.of(What.DISPATCHED);
            case REDO -> Optional.of(What.REDONE);
            case COME_BACK -> Optional.of(What.CAME_BACK);
            case GIVE_UP -> Optional.of(What.GIVEN_UP);
            case CUT_INTO -> Optional.empty();
            case TAKE_BACK -> tookBack.flatMap(PiecesHeard::undone);
        };
    }

    private static Optional<What> undone(PieceAct act) {
        return switch (act) {
            case CUT -> Optional.of(What.UNCUT);
            case FINISH -> Optional.of(What.UNMADE);
            case CUT_INTO -> Optional.empty();
            default -> Optional.of(What.TAKEN_BACK);
        };
    }
}
