package dev.restis.app.cut;

import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.LockOrder.Rank;
import dev.restis.core.cost.ListCost;
import dev.restis.core.cost.ListCost.CutStrand;
import dev.restis.core.cost.PieceCost;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what the pieces of a cut list really cost in step with the ledger. */
@Service
class CutCosts {

    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;

    CutCosts(EntityManager entities, JdbcClient jdbc, JdbcTemplate bulk) {
        this.entities = entities;
        this.jdbc = jdbc;
        this.bulk = bulk;
    }

    /**
     * Works out all pieces of a list anew, from everything that it moved. What it threw away is shared by its pieces once it is
     * done; until then it stands with the list, so that a cut changes what its own piece costs and no other's.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void workOut(CutList list) {
        entities.flush();
        BigDecimal waste = waste(list.id());
        ListCost cost = ListCost.of(
                strands("s.cut_list_id", Set.of(list.id())),
                list.confirmed() ? waste : BigDecimal.ZERO,
                picked(piecesOf(list.id())));
        keep(kept(piecesOf(list.id())), cost);
        list.wasteAlone(list.confirmed() ? cost.alone() : waste);
    }

    /** Cuts were made: what their pieces cost so far, and what the cuts threw away. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void cut(CutList list, Set<Long> pieces, List<Long> steps) {
        keepPieces(pieces);
        list.wasteAlone(list.wasteAlone().add(waste(steps)));
    }

    /** The same where a change to the cuts themselves, such as taking them back, changes what they threw away. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void cut(CutList list, Set<Long> pieces, List<Long> steps, Runnable change) {
        BigDecimal before = waste(steps);
        change.run();
        keepPieces(pieces);
        list.wasteAlone(list.wasteAlone().add(waste(steps)).subtract(before));
    }

    private void keepPieces(Set<Long> pieces) {
        entities.flush();
        if (!pieces.isEmpty()) {
            ListCost cost = ListCost.of(strands("g.piece_id", pieces), BigDecimal.ZERO, picked(pieces));
            keep(kept(pieces), cost);
        }
    }

    private void keep(Map<Long, PieceCost> kept, ListCost cost) {
        Set<Long> gone = new HashSet<>(kept.keySet());
        gone.removeAll(cost.pieces().keySet());
        forget(gone);
        List<Object[]> rows = new ArrayList<>();
        cost.pieces().forEach((piece, now) -> {
            if (!now.equals(kept.get(piece))) {
                rows.add(new Object[] {piece, now.used(), now.tails(), now.waste(), now.hardware()});
            }
        });
        bulk.batchUpdate("""
                insert into piece_actual (piece_id, used, tails, waste, hardware) values (?, ?, ?, ?, ?)
                on conflict (piece_id) do update
                    set used = excluded.used, tails = excluded.tails, waste = excluded.waste, hardware = excluded.hardware
                """, rows);
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void forget(Set<Long> pieces) {
        if (!pieces.isEmpty()) {
            jdbc.sql("delete from piece_actual where piece_id in (:pieces)")
                    .param("pieces", pieces)
                    .update();
        }
    }

    /** What is cut and was neither taken back nor given up. */
    private List<CutStrand> strands(String by, Collection<Long> ids) {
        return jdbc.sql("""
                        select g.piece_id as piece, -sum(g.value) as value, n.used_um, n.cut_um
                        from ledger g join cut_step t on t.id = g.cut_step_id join cut_spool s on s.id = t.cut_spool_id
                             join strand n on n.id = g.strand_id
                        where %s = any (?) and g.movement in ('CUT', 'RETURN')
                        group by g.piece_id, n.id having sum(g.quantity) <> 0 order by n.id
                        """.formatted(by))
                .param(ids.toArray(Long[]::new))
                .query(CutStrand.class)
                .list();
    }

    private BigDecimal waste(long list) {
        return jdbc.sql("""
                        select coalesce(-sum(g.value), 0)
                        from cut_spool s join cut_step t on t.cut_spool_id = s.id join ledger g on g.cut_step_id = t.id
                        where s.cut_list_id = ? and g.movement = 'BIN'
                        """).param(list).query(BigDecimal.class).single();
    }

    private BigDecimal waste(List<Long> steps) {
        return jdbc.sql("select coalesce(-sum(value), 0) from ledger where cut_step_id = any (?) and movement = 'BIN'")
                .param(steps.toArray(Long[]::new))
                .query(BigDecimal.class)
                .single();
    }

    /** The pieces that the list cuts, or has cut, something for. */
    private Set<Long> piecesOf(long list) {
        return Set.copyOf(jdbc.sql("""
                        select n.piece_id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                            join strand n on n.id = t.strand_id where s.cut_list_id = :list
                        union select n.piece_id from cut_trimming r join strand n on n.id = r.strand_id
                        where r.cut_list_id = :list
                        """).param("list", list).query(Long.class).list());
    }

    private Map<Long, BigDecimal> picked(Collection<Long> pieces) {
        Map<Long, BigDecimal> picked = new HashMap<>();
        jdbc.sql("""
                        select piece_id, -sum(value) from ledger where movement = 'PICK' and piece_id = any (?)
                        group by piece_id having sum(quantity) <> 0
                        """).param(pieces.toArray(Long[]::new)).query(row -> {
            picked.put(row.getLong(1), row.getBigDecimal(2));
        });
        return picked;
    }

    /** What these pieces cost by now. Whoever changes it changes the sums of their batches, so those are held. */
    private Map<Long, PieceCost> kept(Collection<Long> pieces) {
        Map<Long, PieceCost> kept = new HashMap<>();
        jdbc.sql("""
                        select p.id, p.batch_id, a.used, a.tails, a.waste, a.hardware
                        from piece p left join piece_actual a on a.piece_id = p.id where p.id = any (?)
                        """).param(pieces.toArray(Long[]::new)).query(row -> {
            long batch = row.getLong("batch_id");
            assert row.wasNull() || LockOrder.holds(Rank.BATCH, batch) : "batch " + batch + " is not held";
            BigDecimal used = row.getBigDecimal("used");
            if (used != null) {
                kept.put(
                        row.getLong("id"),
                        new PieceCost(
                                used,
                                row.getBigDecimal("tails"),
                                row.getBigDecimal("waste"),
                                row.getBigDecimal("hardware")));
            }
        });
        return kept;
    }
}
