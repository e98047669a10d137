package dev.restis.app.cut;

import dev.restis.app.cut.CutFinish.Ready;
import dev.restis.app.cut.CutSteps.Next;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.stock.PartPicks;
import dev.restis.app.stock.PartPicks.PartTaken;
import dev.restis.app.stock.PartPicks.Picking;
import dev.restis.app.stock.Stock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What cutting and taking back hold, in the one order of {@code docs/locks.md}. */
@Component
class CutHolds {

    private final CutLists lists;
    private final ListPieces inLists;
    private final CutFinish finish;
    private final OrderPieces pieces;
    private final Stock stock;
    private final PartPicks picks;
    private final JdbcClient jdbc;

    CutHolds(
            CutLists lists,
            ListPieces inLists,
            CutFinish finish,
            OrderPieces pieces,
            Stock stock,
            PartPicks picks,
            JdbcClient jdbc) {
        this.lists = lists;
        this.inLists = inLists;
        this.finish = finish;
        this.pieces = pieces;
        this.stock = stock;
        this.picks = picks;
        this.jdbc = jdbc;
    }

    /**
     * Locks the orders of the pieces that these steps cut; of all of the list's, and the lists that its waiting pieces stand in,
     * when nothing is left to do after them, because then the list is done.
     *
     * @return whether they are the last
     */
    boolean toCut(long listId, Collection<Long> steps) {
        boolean last = inLists.lastOf(listId, steps);
        if (last) {
            Set<Long> together = inLists.together(listId);
            pieces.holdBatches(inLists.batchesOf(together));
            lists.hold(together);
            if (!together.containsAll(inLists.together(listId))) {
                throw new LockOrder.Overtaken();
            }
        } else {
            pieces.hold(jdbc.sql(
                            "select n.piece_id from cut_step t join strand n on n.id = t.strand_id where t.id = any (?)")
                    .param(steps.toArray(Long[]::new))
                    .query(Long.class)
                    .list());
        }
        return last;
    }

    /**
     * Holds what the cuts are made from and the parts of what is ready; with the last cut also what giving the waiting pieces back
     * to the open work moves, because nothing before it in the order can be held after it.
     */
    Picking stockFor(CutList list, List<Next> cuts, Ready ready, boolean last) {
        Set<Long> holdings =
                cuts.stream().map(n -> n.spool().holdingId()).collect(Collectors.toCollection(TreeSet::new));
        List<PartTaken> parts = new ArrayList<>(ready.parts());
        if (last) {
            Set<Long> waiting = new TreeSet<>(inLists.waiting(list.id()));
            holdings.addAll(stock.moved(waiting, List.of()));
            parts.addAll(finish.partsReadyWithout(waiting, list.id()));
        }
        return picks.hold(holdings, parts);
    }

    /**
     * Holds a list of which something is taken back, with the orders of these pieces. All pieces of a list that is done share what
     * it threw away, so that taking back concerns them all.
     */
    CutList toTakeBack(long listId, Set<Long> piece) {
        boolean done = jdbc.sql("select confirmed_at is not null from cut_list where id = ?")
                .param(listId)
                .query(Boolean.class)
                .optional()
                .orElse(false);
        if (done) {
            pieces.holdBatches(inLists.batchesOf(Set.of(listId)));
        }
        pieces.hold(piece);
        CutList list = lists.held(listId);
        if (list.confirmed() && !done) {
            throw new LockOrder.Overtaken();
        }
        return list;
    }
}
