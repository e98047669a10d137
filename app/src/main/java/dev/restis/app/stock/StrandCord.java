package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.stock.HoldingRow.Kind;
import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.core.cost.Shares;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Cord of single strands after their cut: what more is cut for them, and what was left over. */
@Service
public class StrandCord {

    private final Stock stock;
    private final Ledger ledger;
    private final EntityManager entities;
    private final JdbcClient jdbc;

    StrandCord(Stock stock, Ledger ledger, EntityManager entities, JdbcClient jdbc) {
        this.stock = stock;
        this.ledger = ledger;
        this.entities = entities;
        this.jdbc = jdbc;
    }

    /**
     * Cuts more for a strand of a piece than its cut list did, because something went wrong with it.
     *
     * @param planned what was looked at when it was chosen
     * @param anew whether what was cut for it before is scrap
     * @throws Conflict when the holding is not as it was then
     */
    @Transactional
    public void cutMore(
            long holding, Stock.Planned planned, long piece, long strand, long batch, boolean anew, String reason) {
        Balance balance = ledger.lock(holding);
        if (balance.quantity() != planned.balanceUm() || balance.quantity() < planned.needUm()) {
            throw new Conflict("bench.shelfChanged");
        }
        ledger.post(
                Movement.CUT,
                holding,
                -planned.needUm(),
                balance.costOf(planned.needUm()).negate(),
                new Cause(reason, batch, piece, strand, null, null));
        if (anew) {
            entities.flush();
            jdbc.sql("""
                            update strand set anew_from = (select max(id) from ledger where strand_id = :strand and movement = 'CUT')
                            where id = :strand
                            """).param("strand", strand).update();
        }
    }

    /** The lot that most of a strand was cut from, if it was cut from any. */
    @Transactional(readOnly = true)
    public Optional<Long> lotOfStrand(long strand) {
        return entities
                .createQuery("""
                        select h.lotId from LedgerRow l join HoldingRow h on h.id = l.holdingId
                        where l.strandId = :strand and l.movement = CUT group by h.lotId having sum(l.quantity) < 0
                        order by sum(l.quantity), h.lotId
                        """, Long.class)
                .setParameter("strand", strand)
                .setMaxResults(1)
                .getResultList()
                .stream()
                .findFirst();
    }

    /** How a holding is called. */
    @Transactional(readOnly = true)
    public String label(long holding) {
        return entities.createQuery("select h.label from HoldingRow h where h.id = :holding", String.class)
                .setParameter("holding", holding)
                .getSingleResult();
    }

    /** Locks all that these strands were cut from and left, before any of it is moved. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold(Collection<Long> strands) {
        ledger.hold(entities.createQuery(
                        "select distinct l.holdingId from LedgerRow l where l.strandId in :strands", Long.class)
                .setParameter("strands", strands)
                .getResultList());
    }

    /**
     * Puts what was left over of a strand on the shelf, as a remnant beside the holding that the strand was cut from, with its share of
     * what the strand cost.
     *
     * @param cutUm how long the strand was cut
     * @return the remnant; nothing when the strand was not cut from a holding of its own
     */
    @Transactional
    public Optional<Long> leftOver(long strand, long leftUm, long cutUm) {
        record Row(long holding, BigDecimal value, long batch, long piece) {}
        Optional<Row> found = jdbc.sql("""
                        select (array_agg(holding_id order by id desc) filter (where movement = 'CUT'))[1] as holding,
                               -sum(value) as value, max(batch_id) as batch, max(piece_id) as piece
                        from ledger g
                        where strand_id = ? and movement in ('CUT', 'RETURN')
                            and id >= coalesce((select n.anew_from from strand n where n.id = g.strand_id), 0)
                        having sum(quantity) < 0
                        """).param(strand).query(Row.class).optional();
        found.ifPresent(row -> ledger.hold(List.of(row.holding())));
        return found.map(row -> {
            HoldingRow from = Objects.requireNonNull(entities.find(HoldingRow.class, row.holding()));
            HoldingRow remnant = stock.hold(from.lotId(), Kind.REMNANT, from.shelf(), row.holding());
            entities.flush();
            BigDecimal value =
                    Shares.of(row.value(), List.of(leftUm, cutUm - leftUm)).get(0);
            ledger.post(
                    Movement.LEFT,
                    remnant.id(),
                    leftUm,
                    value,
                    new Cause("", row.batch(), row.piece(), strand, null, null));
            return remnant.id();
        });
    }
}
