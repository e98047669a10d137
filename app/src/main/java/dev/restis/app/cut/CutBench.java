package dev.restis.app.cut;

import dev.restis.app.cut.CutFinish.Ready;
import dev.restis.app.cut.CutSteps.Next;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.PieceNeeds.StrandNeed;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.plan.Reckoning;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.HoldingActs;
import dev.restis.app.stock.PartPicks;
import dev.restis.app.stock.PartPicks.PartTaken;
import dev.restis.app.stock.PartPicks.Picking;
import dev.restis.app.stock.Stock;
import dev.restis.app.stock.Stock.Fate;
import dev.restis.app.stock.Stock.Stretch;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Cutting, one cut after the other. Each cut moves the books in one transaction: cord leaves its spool, what is kept becomes a
 * remnant, what the piece cost so far is worked out, and with a piece's last strand its hardware is picked and it is cut. A cut
 * is taken back by rows against those that it made. A cut touches its spool and its piece and not the rest of the list, so that
 * it takes no longer where the list is long; only the last cut looks at all of it.
 */
@Service
public class CutBench {

    private final CutLists lists;
    private final CutSteps steps;
    private final CutCosts costs;
    private final CutHolds holds;
    private final CutFinish finish;
    private final ListPieces inLists;
    private final PieceNeeds needs;
    private final Pieces pieces;
    private final Reckoning reckoning;
    private final Stock stock;
    private final PartPicks picks;
    private final HoldingActs acts;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    CutBench(
            CutLists lists,
            CutSteps steps,
            CutCosts costs,
            CutHolds holds,
            CutFinish finish,
            ListPieces inLists,
            PieceNeeds needs,
            Pieces pieces,
            Reckoning reckoning,
            Stock stock,
            PartPicks picks,
            HoldingActs acts,
            EntityManager entities,
            JdbcClient jdbc,
            Clock clock) {
        this.lists = lists;
        this.steps = steps;
        this.costs = costs;
        this.holds = holds;
        this.finish = finish;
        this.inLists = inLists;
        this.needs = needs;
        this.pieces = pieces;
        this.reckoning = reckoning;
        this.stock = stock;
        this.picks = picks;
        this.acts = acts;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * Takes a spool in hand, so that nobody else cuts it.
     *
     * @param over whether out of the hand of another
     */
    @Transactional
    public void take(long listId, long spoolId, boolean over) {
        CutSpool spool = spool(lists.unconfirmed(listId), spoolId);
        if (!over) {
            inMyHand(spool);
        }
        spool.inHandOf(Workshop.whoever());
    }

    /** Puts a spool down again. */
    @Transactional
    public void putDown(long listId, long spoolId) {
        CutSpool spool = spool(lists.unconfirmed(listId), spoolId);
        if (Workshop.whoever().equals(spool.inHandOf())) {
            spool.inHandOf(null);
        }
    }

    /**
     * Makes the next cuts of a spool.
     *
     * @param steps in their order
     * @param keep what becomes of a leftover, where it is decided now
     * @param counter what the cord counter shows, where it said so
     * @throws Conflict when one of them is made already, or is not the next
     */
    @Transactional
    public void cut(long listId, long spoolId, List<Long> steps, @Nullable Boolean keep, @Nullable Long counter) {
        boolean last = holds.toCut(listId, steps);
        CutList list = lists.cutting(listId);
        CutSpool spool = spool(list, spoolId);
        inMyHand(spool);
        List<CutStep> made = this.steps.next(spool, steps);
        if (keep != null) {
            made.stream().filter(s -> s.kind() != StepKind.STRAND).forEach(s -> s.keep(keep));
        }
        if (counter != null) {
            spool.counterUm(counter);
        }
        make(list, List.of(this.steps.ready(spool, made)), last);
    }

    /** All that is still to do, at once: for those who cut by the sheet. */
    @Transactional
    public void confirm(long listId) {
        List<Long> toDo = toDo(listId);
        holds.toCut(listId, toDo);
        CutList list = lists.cutting(listId);
        if (!toDo(listId).equals(toDo)) {
            // It was planned anew before it was held: pieces of other orders may be on it now.
            throw new LockOrder.Overtaken();
        }
        list.spools().forEach(CutBench::inMyHand);
        checkComplete(list);
        Collection<PartTaken> lacking =
                make(list, list.spools().stream().map(Next::all).toList(), true);
        if (!list.confirmed()) {
            // All is cut but what lacks parts; say which.
            picks.hold(List.of(), lacking).take(lacking);
            throw new Conflict("stockChanged");
        }
    }

    private List<Long> toDo(long list) {
        return jdbc.sql("""
                        select t.id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                        where s.cut_list_id = ? and t.done_at is null order by t.id
                        """).param(list).query(Long.class).list();
    }

    /** A proposal goes stale when pieces left the batch or joined it since. */
    private void checkComplete(CutList list) {
        Set<Long> planned = list.spools().stream()
                .flatMap(s -> s.steps().stream())
                .flatMap(s -> Optional.ofNullable(s.strandId()).stream())
                .collect(Collectors.toSet());
        if (planned.isEmpty()) {
            throw new Conflict("cut.nothing");
        }
        planned.addAll(lists.trimmings(list));
        Set<Long> needed = needs.strandsOf(inLists.cutting(list)).stream()
                .map(StrandNeed::id)
                .collect(Collectors.toSet());
        if (!planned.containsAll(needed)) {
            throw new Conflict("stockChanged");
        }
    }

    /**
     * Moves the books for these cuts.
     *
     * @param last whether nothing is left to do after them
     * @return the parts that pieces lack which are otherwise cut
     */
    private Collection<PartTaken> make(CutList list, List<Next> cuts, boolean last) {
        reckoning.mustBeDone();
        List<CutStep> all = cuts.stream().flatMap(n -> n.steps().stream()).toList();
        List<Long> steps = all.stream().map(CutStep::id).toList();
        if (inLists.lastOf(list.id(), steps) != last) {
            // Somebody made the other last cut meanwhile, or more was planned: other orders are to be held.
            throw new LockOrder.Overtaken();
        }
        Map<Long, StrandNeed> strands =
                needs
                        .strands(all.stream()
                                .flatMap(s -> Optional.ofNullable(s.strandId()).stream())
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(StrandNeed::id, Function.identity()));
        Set<Long> touched = strands.values().stream().map(StrandNeed::piece).collect(Collectors.toSet());
        Ready ready = finish.ready(list, last ? new HashSet<>(inLists.uncut(list)) : touched, steps);
        Picking picking = holds.stockFor(list, cuts, ready, last);
        cuts.stream().sorted(Comparator.comparing(n -> n.spool().holdingId())).forEach(n -> make(n, strands));
        entities.flush();
        Set<Long> lacking = finish.complete(ready, picking);
        costs.cut(list, union(touched, ready.pieces()), steps);
        // What is begun and not cut is known by what it cost so far, so this comes last.
        touched.removeAll(ready.pieces());
        touched.addAll(lacking);
        pieces.cutting(touched, inLists.begun(touched));
        if (last && lacking.isEmpty()) {
            finish.close(list);
        }
        return ready.parts().stream().filter(p -> lacking.contains(p.piece())).toList();
    }

    private void make(Next next, Map<Long, StrandNeed> strands) {
        CutSpool spool = next.spool();
        List<Stretch> stretches = new ArrayList<>();
        for (CutStep step : next.steps()) {
            stretch(step, strands).ifPresent(stretches::add);
            step.done(clock.instant(), Workshop.whoever());
        }
        if (!stretches.isEmpty()) {
            stock.cut(spool.holdingId(), next.believed(), stretches);
        }
        if (next.last()) {
            spool.inHandOf(null);
        }
    }

    private static Optional<Stretch> stretch(CutStep step, Map<Long, StrandNeed> strands) {
        if (step.kind() == StepKind.STRAND) {
            Long id = step.strandId();
            StrandNeed strand = id == null ? null : strands.get(id);
            if (strand == null) {
                throw new Conflict("cut.planChanged");
            }
            if (step.lengthUm() < strand.cutUm()) {
                throw new Conflict(
                        "cut.longerNow", strand.role(), new Length(strand.cutUm()), new Length(step.lengthUm()));
            }
            return Optional.of(
                    new Stretch(Fate.STRAND, step.lengthUm(), strand.piece(), strand.id(), strand.batch(), step.id()));
        }
        if (!step.keep()) {
            return Optional.of(new Stretch(Fate.BIN, step.lengthUm(), null, null, null, step.id()));
        }
        return step.kind() == StepKind.OFFCUT
                ? Optional.of(new Stretch(Fate.REMNANT, step.lengthUm(), null, null, null, step.id()))
                : Optional.empty();
    }

    private static Set<Long> union(Set<Long> some, Set<Long> others) {
        Set<Long> all = new TreeSet<>(some);
        all.addAll(others);
        return all;
    }

    /**
     * Takes the last cut of a spool back.
     *
     * @return whether what is left is to be planned anew: what lies before the rest is longer again, and the plan did not count
     *     on it
     */
    @Transactional
    public boolean undo(long listId, long spoolId) {
        Optional<Long> expected = jdbc.sql("""
                        select id from cut_step where cut_spool_id = ? and done_at is not null order by number desc limit 1
                        """).param(spoolId).query(Long.class).optional();
        Set<Long> piece = expected.map(this::pieceOf).orElse(Set.of());
        CutList list = holds.toTakeBack(listId, piece);
        list.touched();
        CutSpool spool = spool(list, spoolId);
        inMyHand(spool);
        CutStep last = spool.lastDone().orElseThrow(() -> new Conflict("cut.nothingToUndo"));
        if (expected.filter(id -> id == last.id()).isEmpty()) {
            throw new LockOrder.Overtaken();
        }
        Workshop.mayTakeBack(last.doneBy());
        if (last.kind() == StepKind.STRAND && last.strandId() == null) {
            throw new Conflict("cut.givenUp");
        }
        Set<Long> wasCut = pieces.cutOf(piece);
        stock.holdMoved(wasCut, List.of(last.id()));
        if (list.confirmed()) {
            finish.reopen(list);
            costs.workOut(list);
        }
        wasCut.forEach(stock::takeBackPicked);
        pieces.uncut(wasCut);
        costs.cut(list, piece, List.of(last.id()), () -> {
            stock.takeBackCut(last.id());
            last.undone();
            entities.flush();
        });
        spool.inHandOf(Workshop.whoever());
        pieces.cutting(piece, inLists.begun(piece));
        return last.kind() == StepKind.OFFCUT;
    }

    private Set<Long> pieceOf(long step) {
        return Set.copyOf(
                jdbc.sql("select n.piece_id from cut_step t join strand n on n.id = t.strand_id where t.id = ?")
                        .param(step)
                        .query(Long.class)
                        .list());
    }

    /** A flaw or a join shows up on the spool. What is left to cut of it is to be planned anew. */
    @Transactional
    public void flaw(long listId, long spoolId, @Nullable String at, UnitSystem units, boolean join) {
        CutSpool spool = mishap(listId, spoolId);
        acts.flaw(spool.holdingId(), at, units, join);
        spool.unplan();
    }

    /** The spool has less than the books say. What is left to cut of it is to be planned anew. */
    @Transactional
    public void ranOut(long listId, long spoolId, @Nullable String left, UnitSystem units) {
        CutSpool spool = mishap(listId, spoolId);
        acts.ranOut(spool.holdingId(), left, units);
        spool.unplan();
    }

    /** Something was cut off that serves no strand of the list. What is left to cut of it is to be planned anew. */
    @Transactional
    public void cutWrong(long listId, long spoolId, @Nullable String length, UnitSystem units, boolean keep) {
        CutSpool spool = mishap(listId, spoolId);
        String typed = length == null ? "" : length;
        long um = LengthReader.read(typed, units)
                .map(Length::micrometres)
                .filter(l -> l > 0)
                .orElseThrow(() -> new Rejected(Fault.of("length", "counted.unread", typed)));
        if (um > spool.freeUm()) {
            throw new Rejected(Fault.of("length", "quantity.beyond"));
        }
        Stock.Planned believed = new Stock.Planned(um, spool.balanceUm());
        CutStep wrong = new CutStep(0, StepKind.OFFCUT, um, null, keep);
        spool.next(wrong);
        entities.flush();
        wrong.done(clock.instant(), Workshop.whoever());
        Fate fate = keep ? Fate.REMNANT : Fate.BIN;
        stock.cut(spool.holdingId(), believed, List.of(new Stretch(fate, um, null, null, null, wrong.id())));
        costs.cut(lists.look(listId), Set.of(), List.of(wrong.id()));
        spool.unplan();
    }

    private CutSpool mishap(long listId, long spoolId) {
        CutSpool spool = spool(lists.open(listId), spoolId);
        inMyHand(spool);
        return spool;
    }

    /** Counts from what the cord counter shows now. */
    @Transactional
    public void countFrom(long listId, long spoolId, long shown) {
        CutSpool spool = spool(lists.unconfirmed(listId), spoolId);
        inMyHand(spool);
        spool.counterUm(shown);
    }

    private static void inMyHand(CutSpool spool) {
        String hand = spool.inHandOf();
        if (hand != null && !hand.equals(Workshop.whoever())) {
            throw new Conflict("cut.inHand", hand);
        }
        spool.inHandOf(Workshop.whoever());
    }

    private CutSpool spool(CutList list, long id) {
        CutSpool spool = entities.find(CutSpool.class, id);
        if (spool == null || spool.listId() != list.id()) {
            throw new Conflict("cut.planChanged");
        }
        return spool;
    }
}
