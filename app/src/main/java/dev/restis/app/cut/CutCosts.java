package dev.restis.app.cut;

import dev.restis.app.pieces.CostJournal;
import dev.restis.app.pieces.PieceActuals;
import dev.restis.core.cost.ListCost;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what the pieces of a cut list really cost in step with the ledger. */
@Service
class CutCosts {

    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final PieceActuals actuals;
    private final CostJournal journal;

    CutCosts(EntityManager entities, JdbcClient jdbc, PieceActuals actuals, CostJournal journal) {
        this.entities = entities;
        this.jdbc = jdbc;
        this.actuals = actuals;
        this.journal = journal;
    }

    /**
     * Works out all pieces of a list anew, from everything that it moved. What it threw away is shared by its pieces once it is
     * done; until then it stands with the list, so that a cut changes what its own piece costs and no other's.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void workOut(CutList list) {
        entities.flush();
        BigDecimal waste = waste(list.id());
        Set<Long> pieces = piecesOf(list.id());
        ListCost cost = ListCost.of(
                actuals.strands("""
                        n.id in (select t.strand_id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                 where s.cut_list_id = any (?))
                        """, Set.of(list.id())),
                list.confirmed() ? waste : BigDecimal.ZERO,
                actuals.picked(pieces));
        actuals.keep(actuals.kept(pieces), cost);
        alone(list, list.confirmed() ? cost.alone() : waste);
    }

    /** These pieces of the list cost nothing any more, and the others what they do without them. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void givenUp(CutList list, Set<Long> pieces) {
        actuals.forget(pieces);
        workOut(list);
    }

    /** Cuts were made: what their pieces cost so far, and what the cuts threw away. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void cut(CutList list, Set<Long> pieces, List<Long> steps) {
        keepPieces(pieces);
        alone(list, list.wasteAlone().add(waste(steps)));
    }

    /** The same where a change to the cuts themselves, such as taking them back, changes what they threw away. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void cut(CutList list, Set<Long> pieces, List<Long> steps, Runnable change) {
        BigDecimal before = waste(steps);
        change.run();
        keepPieces(pieces);
        alone(list, list.wasteAlone().add(waste(steps)).subtract(before));
    }

    private void alone(CutList list, BigDecimal waste) {
        journal.alone(list.id(), waste.subtract(list.wasteAlone()));
        list.wasteAlone(waste);
    }

    private void keepPieces(Set<Long> pieces) {
        entities.flush();
        if (!pieces.isEmpty()) {
            ListCost cost = ListCost.of(
                    actuals.strands("g.piece_id = any (?)", pieces), BigDecimal.ZERO, actuals.picked(pieces));
            actuals.keep(actuals.kept(pieces), cost);
        }
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
}
