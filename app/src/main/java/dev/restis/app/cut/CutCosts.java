package dev.restis.app.cut;

import dev.restis.core.cost.ListCost;
import dev.restis.core.cost.ListCost.CutStrand;
import dev.restis.core.cost.PieceCost;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
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

    /** To be called in every transaction that cuts, takes back or gives up something of the list. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void workOut(CutList list) {
        entities.flush();
        ListCost cost = ListCost.of(strands(list.id()), waste(list.id()), picked(list.id()));
        Map<Long, PieceCost> kept = kept(list.id());
        Set<Long> gone = new java.util.HashSet<>(kept.keySet());
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
        list.wasteAlone(cost.alone());
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
    private List<CutStrand> strands(long list) {
        return jdbc.sql("""
                        select g.piece_id as piece, -sum(g.value) as value, n.used_um, n.cut_um
                        from cut_spool s join cut_step t on t.cut_spool_id = s.id join ledger g on g.cut_step_id = t.id
                             join strand n on n.id = g.strand_id
                        where s.cut_list_id = ? and g.movement in ('CUT', 'RETURN')
                        group by g.piece_id, n.id having sum(g.quantity) <> 0 order by n.id
                        """).param(list).query(CutStrand.class).list();
    }

    private BigDecimal waste(long list) {
        return jdbc.sql("""
                        select coalesce(-sum(g.value), 0)
                        from cut_spool s join cut_step t on t.cut_spool_id = s.id join ledger g on g.cut_step_id = t.id
                        where s.cut_list_id = ? and g.movement = 'BIN'
                        """).param(list).query(BigDecimal.class).single();
    }

    private Map<Long, BigDecimal> picked(long list) {
        Map<Long, BigDecimal> picked = new HashMap<>();
        jdbc.sql("""
                        select piece_id, -sum(value) from ledger
                        where movement = 'PICK' and piece_id in (
                            select n.piece_id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                join strand n on n.id = t.strand_id where s.cut_list_id = :list
                            union select n.piece_id from cut_trimming r join strand n on n.id = r.strand_id
                            where r.cut_list_id = :list)
                        group by piece_id having sum(quantity) <> 0
                        """).param("list", list).query(row -> {
            picked.put(row.getLong(1), row.getBigDecimal(2));
        });
        return picked;
    }

    private Map<Long, PieceCost> kept(long list) {
        Map<Long, PieceCost> kept = new HashMap<>();
        jdbc.sql("""
                        select piece_id, used, tails, waste, hardware from piece_actual
                        where piece_id in (
                            select n.piece_id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                join strand n on n.id = t.strand_id where s.cut_list_id = :list
                            union select n.piece_id from cut_trimming r join strand n on n.id = r.strand_id
                            where r.cut_list_id = :list)
                        """).param("list", list).query(row -> {
            kept.put(
                    row.getLong("piece_id"),
                    new PieceCost(
                            row.getBigDecimal("used"),
                            row.getBigDecimal("tails"),
                            row.getBigDecimal("waste"),
                            row.getBigDecimal("hardware")));
        });
        return kept;
    }
}
