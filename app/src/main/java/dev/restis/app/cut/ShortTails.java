package dev.restis.app.cut;

import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.stock.Stock;
import dev.restis.core.measure.Length;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** One tail in twenty turns out shorter than was expected; the strand that it should have served is cut after all. */
@Service
class ShortTails {

    private final CutLists lists;
    private final CutHolds holds;
    private final ListPieces inLists;
    private final CutFinish finish;
    private final CutCosts costs;
    private final PieceNeeds needs;
    private final Pieces pieces;
    private final Stock stock;
    private final JdbcClient jdbc;

    ShortTails(
            CutLists lists,
            CutHolds holds,
            ListPieces inLists,
            CutFinish finish,
            CutCosts costs,
            PieceNeeds needs,
            Pieces pieces,
            Stock stock,
            JdbcClient jdbc) {
        this.lists = lists;
        this.holds = holds;
        this.inLists = inLists;
        this.finish = finish;
        this.costs = costs;
        this.needs = needs;
        this.pieces = pieces;
        this.stock = stock;
        this.jdbc = jdbc;
    }

    /**
     * The tail for this strand is too short. Its piece is not cut any more, and a list that was done is open again; the strand
     * is to be planned.
     *
     * @throws Conflict when no tail serves it, or no spool of the lot has enough for it
     */
    @Transactional
    public void tooShort(long listId, long strandId) {
        // A strand of another list would have its order locked out of turn.
        long piece = jdbc.sql("""
                        select n.piece_id from cut_trimming r join strand n on n.id = r.strand_id
                        where r.cut_list_id = ? and r.strand_id = ?
                        """)
                .params(listId, strandId)
                .query(Long.class)
                .optional()
                .orElseThrow(() -> new Conflict("cut.noTail"));
        CutList list = holds.toTakeBack(listId, Set.of(piece));
        checkThereIsCord(listId, strandId);
        list.replanned();
        Set<Long> wasCut = pieces.cutOf(Set.of(piece));
        stock.holdMoved(wasCut, List.of());
        if (list.confirmed()) {
            finish.reopen(list);
            costs.workOut(list);
        }
        wasCut.forEach(stock::takeBackPicked);
        pieces.uncut(wasCut);
        jdbc.sql("delete from cut_trimming where cut_list_id = ? and strand_id = ?")
                .params(listId, strandId)
                .update();
        needs.tailTooShort(strandId);
        costs.cut(list, Set.of(piece), List.of());
        pieces.cutting(Set.of(piece), inLists.begun(Set.of(piece)));
    }

    private void checkThereIsCord(long list, long strand) {
        record Served(long needed, boolean there, String article) {}
        Served served = jdbc.sql("""
                        select n.cut_um as needed, a.code as article, exists (
                            select 1 from cut_step t join cut_spool s on s.id = t.cut_spool_id
                                join holding cut on cut.id = s.holding_id join holding h on h.lot_id = cut.lot_id
                            where t.strand_id = r.source_id and h.quantity >= n.cut_um) as there
                        from cut_trimming r join strand n on n.id = r.strand_id join article a on a.id = n.article_id
                        where r.cut_list_id = ? and r.strand_id = ?
                        """)
                .params(list, strand)
                .query(Served.class)
                .optional()
                .orElseThrow(() -> new Conflict("cut.noTail"));
        if (!served.there()) {
            throw new Conflict("cut.noCordForTail", new Length(served.needed()), served.article());
        }
    }
}
