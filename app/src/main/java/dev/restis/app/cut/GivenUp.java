package dev.restis.app.cut;

import dev.restis.app.cut.CutBench.Ready;
import dev.restis.app.plan.PiecesReleased;
import dev.restis.app.stock.Stock;
import dev.restis.app.stock.Stock.PartTaken;
import dev.restis.app.stock.Stock.Picking;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Pieces that left their batches are cut no more; what was cut for them goes back on the shelf. */
@Component
class GivenUp {

    private final CutLists lists;
    private final CutCosts costs;
    private final CutBench bench;
    private final Stock stock;
    private final JdbcClient jdbc;

    GivenUp(CutLists lists, CutCosts costs, CutBench bench, Stock stock, JdbcClient jdbc) {
        this.stock = stock;
        this.lists = lists;
        this.costs = costs;
        this.bench = bench;
        this.jdbc = jdbc;
    }

    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void released(PiecesReleased gone) {
        Set<Long> ids = listsOf(gone.pieces());
        lists.hold(ids);
        Map<CutList, Ready> open = new LinkedHashMap<>();
        for (long id : ids) {
            CutList list = lists.look(id);
            open.put(list, list.confirmed() ? Ready.NOTHING : bench.readyWithout(list, gone.pieces()));
        }
        Picking picking = stock.hold(
                stock.moved(gone.pieces(), List.of()),
                open.values().stream().flatMap(r -> r.parts().stream()).toList());
        open.forEach((list, ready) -> {
            list.replanned();
            lists.giveUp(list, gone.pieces());
            forget(list.id(), gone.pieces(), list.confirmed());
            costs.forget(gone.pieces());
            costs.workOut(list);
            if (!list.confirmed()) {
                bench.leaveOut(list, gone.pieces(), ready, picking);
            }
        });
        costs.forget(gone.pieces());
    }

    /** Parts of what becomes ready in other open lists when these pieces leave them. */
    List<PartTaken> partsReadyWithout(Set<Long> pieces, long list) {
        List<PartTaken> parts = new ArrayList<>();
        for (long id : listsOf(pieces)) {
            CutList other = lists.look(id);
            if (id != list && !other.confirmed()) {
                parts.addAll(bench.readyWithout(other, pieces).parts());
            }
        }
        return parts;
    }

    /** The lists in which these pieces are cut, are to be cut, or wait. */
    Set<Long> listsOf(Collection<Long> pieces) {
        return pieces.isEmpty()
                ? Set.of()
                : new TreeSet<>(
                        jdbc.sql("""
                                select s.cut_list_id from strand n join cut_step t on t.strand_id = n.id
                                    join cut_spool s on s.id = t.cut_spool_id where n.piece_id in (:pieces)
                                union select r.cut_list_id from strand n
                                    join cut_trimming r on n.id in (r.strand_id, r.source_id) where n.piece_id in (:pieces)
                                union select w.cut_list_id from cut_waiting w
                                    join cut_list c on c.id = w.cut_list_id and c.confirmed_at is null
                                where w.piece_id in (:pieces)
                                """).param("pieces", pieces).query(Long.class).list());
    }

    /** A list that is done still tells what had to wait. */
    private void forget(long list, Set<Long> pieces, boolean done) {
        jdbc.sql("""
                        delete from cut_trimming r using strand n
                        where r.cut_list_id = :list and n.id in (r.strand_id, r.source_id) and n.piece_id in (:pieces)
                        """).param("list", list).param("pieces", pieces).update();
        if (!done) {
            jdbc.sql("delete from cut_waiting where cut_list_id = :list and piece_id in (:pieces)")
                    .param("list", list)
                    .param("pieces", pieces)
                    .update();
            jdbc.sql("delete from cut_pin where cut_list_id = :list and piece_id in (:pieces)")
                    .param("list", list)
                    .param("pieces", pieces)
                    .update();
        }
    }
}
