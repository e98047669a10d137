package dev.restis.app.cut;

import dev.restis.app.pieces.Pieces;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which pieces stand in which cut lists, and what is left to do for them. */
@Component
class ListPieces {

    private final Pieces pieces;
    private final JdbcClient jdbc;

    ListPieces(Pieces pieces, JdbcClient jdbc) {
        this.pieces = pieces;
        this.jdbc = jdbc;
    }

    /** Whether nothing is left to do in a list once these steps are made. */
    boolean lastOf(long listId, Collection<Long> steps) {
        return jdbc.sql("""
                        select not exists (select 1 from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                           where s.cut_list_id = ? and t.done_at is null and t.id <> all (?))
                        """)
                .params(listId, steps.toArray(Long[]::new))
                .query(Boolean.class)
                .single();
    }

    /** Those of the pieces of which a strand is cut. */
    Set<Long> begun(Collection<Long> pieces) {
        return Set.copyOf(jdbc.sql("""
                        select distinct n.piece_id from strand n join cut_step t on t.strand_id = n.id
                        where n.piece_id = any (?) and t.done_at is not null
                        """)
                .param(pieces.toArray(Long[]::new))
                .query(Long.class)
                .list());
    }

    List<Long> batchesOf(Collection<Long> lists) {
        return jdbc.sql("select batch_id from cut_list_batch where cut_list_id = any (?)")
                .param(lists.toArray(Long[]::new))
                .query(Long.class)
                .list();
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

    /** The list, and those that its waiting pieces stand in. */
    Set<Long> together(long listId) {
        Set<Long> together = new TreeSet<>(listsOf(waiting(listId)));
        together.add(listId);
        return together;
    }

    /** The pieces that the list still cuts: those of its batches that are not cut and do not wait. */
    List<Long> cutting(CutList list) {
        List<Long> cutting = uncut(list);
        cutting.removeAll(waiting(list.id()));
        return cutting;
    }

    List<Long> uncut(CutList list) {
        List<Long> uncut = new ArrayList<>();
        list.batches().forEach(b -> uncut.addAll(pieces.uncut(b)));
        return uncut;
    }

    List<Long> waiting(long list) {
        return jdbc.sql("select piece_id from cut_waiting where cut_list_id = ?")
                .param(list)
                .query(Long.class)
                .list();
    }
}
