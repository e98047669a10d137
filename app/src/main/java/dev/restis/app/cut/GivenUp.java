package dev.restis.app.cut;

import dev.restis.app.cut.CutFinish.Ready;
import dev.restis.app.pieces.PieceActuals;
import dev.restis.app.pieces.PieceMoved;
import dev.restis.app.stock.PartPicks;
import dev.restis.app.stock.PartPicks.Picking;
import dev.restis.app.stock.Stock;
import dev.restis.core.work.PieceAct;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
    private final PieceActuals actuals;
    private final CutFinish finish;
    private final ListPieces inLists;
    private final Stock stock;
    private final PartPicks picks;
    private final JdbcClient jdbc;

    GivenUp(
            CutLists lists,
            ListPieces inLists,
            CutCosts costs,
            PieceActuals actuals,
            CutFinish finish,
            Stock stock,
            PartPicks picks,
            JdbcClient jdbc) {
        this.picks = picks;
        this.inLists = inLists;
        this.stock = stock;
        this.lists = lists;
        this.costs = costs;
        this.actuals = actuals;
        this.finish = finish;
        this.jdbc = jdbc;
    }

    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void released(PieceMoved gone) {
        if (gone.act() != PieceAct.RELEASE) {
            return;
        }
        Set<Long> ids = inLists.listsOf(gone.pieces());
        lists.hold(ids);
        Map<CutList, Ready> open = new LinkedHashMap<>();
        for (long id : ids) {
            CutList list = lists.look(id);
            open.put(list, list.confirmed() ? Ready.NOTHING : finish.readyWithout(list, gone.pieces()));
        }
        Picking picking = picks.hold(
                stock.moved(gone.pieces(), List.of()),
                open.values().stream().flatMap(r -> r.parts().stream()).toList());
        open.forEach((list, ready) -> {
            list.replanned();
            lists.giveUp(list, gone.pieces());
            forget(list.id(), gone.pieces(), list.confirmed());
            costs.givenUp(list, gone.pieces());
            if (!list.confirmed()) {
                finish.leaveOut(list, gone.pieces(), ready, picking);
            }
        });
        actuals.forget(gone.pieces());
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
