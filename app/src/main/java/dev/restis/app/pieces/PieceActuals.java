package dev.restis.app.pieces;

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

/**
 * What pieces really took, from the ledger: cord that stays in them, what was trimmed off, their share of what their cut list threw
 * away, and their parts. Whoever writes it holds the pieces' batches, which keep sums of it.
 */
@Service
public class PieceActuals {

    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final CostJournal journal;

    PieceActuals(EntityManager entities, JdbcClient jdbc, JdbcTemplate bulk, CostJournal journal) {
        this.entities = entities;
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.journal = journal;
    }

    /** Something else was cut, mended or left over for these pieces; their share of waste stays. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void workedOut(Collection<Long> pieces) {
        entities.flush();
        Map<Long, PieceCost> kept = kept(pieces);
        ListCost cost = ListCost.of(strands("g.piece_id = any (?)", pieces), BigDecimal.ZERO, picked(pieces));
        Map<Long, PieceCost> now = new HashMap<>();
        cost.pieces().forEach((piece, c) -> {
            PieceCost before = kept.get(piece);
            BigDecimal waste = before == null ? c.waste() : before.waste();
            now.put(piece, new PieceCost(c.used(), c.tails(), waste, c.hardware(), c.trimmed(), c.scrap()));
        });
        keep(kept, new ListCost(now, cost.alone()));
    }

    /** Keeps what changed against what is kept. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(Map<Long, PieceCost> kept, ListCost cost) {
        Set<Long> gone = new HashSet<>(kept.keySet());
        gone.removeAll(cost.pieces().keySet());
        remove(gone);
        List<Object[]> rows = new ArrayList<>();
        cost.pieces().forEach((piece, now) -> {
            if (!now.equals(kept.get(piece))) {
                rows.add(new Object[] {
                    piece, now.used(), now.tails(), now.waste(), now.hardware(), now.trimmed(), now.scrap()
                });
            }
        });
        bulk.batchUpdate("""
                insert into piece_actual (piece_id, used, tails, waste, hardware, trimmed, scrap) values (?, ?, ?, ?, ?, ?, ?)
                on conflict (piece_id) do update
                    set used = excluded.used, tails = excluded.tails, waste = excluded.waste, hardware = excluded.hardware,
                        trimmed = excluded.trimmed, scrap = excluded.scrap
                """, rows);
        journal.changed(kept, cost.pieces());
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void forget(Set<Long> pieces) {
        Map<Long, PieceCost> before = kept(pieces);
        remove(pieces);
        journal.changed(before, Map.of());
    }

    private void remove(Set<Long> pieces) {
        if (!pieces.isEmpty()) {
            jdbc.sql("delete from piece_actual where piece_id in (:pieces)")
                    .param("pieces", pieces)
                    .update();
        }
    }

    /**
     * What is cut and was neither taken back nor given up, with what of it was left over, where that is known.
     *
     * @param which of the ledger's rows {@code g}, by one list of numbers
     */
    @Transactional(readOnly = true)
    public List<CutStrand> strands(String which, Collection<Long> ids) {
        return jdbc.sql("""
                        select g.piece_id as piece, -coalesce(sum(g.value) filter (where g.id >= coalesce(n.anew_from, 0)), 0) as value,
                               -coalesce(sum(g.value) filter (where g.id < n.anew_from), 0) as scrapped,
                               max(o.left_um) is not null as measured, p.stage = 'GIVEN_UP' as lost,
                               coalesce(n.cut_um - max(o.left_um), n.used_um) as used_um,
                               case when max(o.left_um) is null then n.cut_um - n.used_um
                                    when max(o.fate) = 'SHELF' then 0 else max(o.left_um) end as tail_um,
                               n.cut_um
                        from ledger g join strand n on n.id = g.strand_id join piece p on p.id = n.piece_id
                             left join left_over_now o on o.strand_id = n.id
                        where %s and g.movement in ('CUT', 'RETURN', 'LEFT')
                        group by g.piece_id, n.id, p.stage
                        having sum(g.quantity) filter (where g.movement <> 'LEFT') <> 0 order by n.id
                        """.formatted(which))
                .param(ids.toArray(Long[]::new))
                .query(CutStrand.class)
                .list();
    }

    @Transactional(readOnly = true)
    public Map<Long, BigDecimal> picked(Collection<Long> pieces) {
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
    @Transactional(readOnly = true)
    public Map<Long, PieceCost> kept(Collection<Long> pieces) {
        Map<Long, PieceCost> kept = new HashMap<>();
        jdbc.sql("""
                        select p.id, p.batch_id, a.used, a.tails, a.waste, a.hardware, a.trimmed, a.scrap
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
                                row.getBigDecimal("hardware"),
                                row.getBigDecimal("trimmed"),
                                row.getBigDecimal("scrap")));
            }
        });
        return kept;
    }
}
