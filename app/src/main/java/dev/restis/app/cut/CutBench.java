package dev.restis.app.cut;

import dev.restis.app.cut.CutSteps.Next;
import dev.restis.app.orders.Pieces;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.Batches.StrandNeed;
import dev.restis.app.plan.Reckoning;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.HoldingActs;
import dev.restis.app.stock.Stock;
import dev.restis.app.stock.Stock.Fate;
import dev.restis.app.stock.Stock.PartTaken;
import dev.restis.app.stock.Stock.Picking;
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
import org.springframework.context.annotation.Lazy;
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
    private final GivenUp givenUp;
    private final Batches batches;
    private final Pieces pieces;
    private final Reckoning reckoning;
    private final Stock stock;
    private final HoldingActs acts;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    CutBench(
            CutLists lists,
            CutSteps steps,
            CutCosts costs,
            @Lazy GivenUp givenUp,
            Batches batches,
            Pieces pieces,
            Reckoning reckoning,
            Stock stock,
            HoldingActs acts,
            EntityManager entities,
            JdbcClient jdbc,
            Clock clock) {
        this.lists = lists;
        this.steps = steps;
        this.costs = costs;
        this.givenUp = givenUp;
        this.batches = batches;
        this.pieces = pieces;
        this.reckoning = reckoning;
        this.stock = stock;
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
        boolean last = hold(listId, steps);
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

    /**
     * Locks the orders of the pieces that these steps cut; of all of the list's, and the lists that its waiting pieces stand in,
     * when nothing is left to do after them, because then the list is done.
     *
     * @return whether they are the last
     */
    private boolean hold(long listId, Collection<Long> steps) {
        boolean last = lastOf(listId, steps);
        if (last) {
            Set<Long> together = together(listId);
            pieces.holdBatches(batchesOf(together));
            lists.hold(together);
            if (!together.containsAll(together(listId))) {
                throw new LockOrder.Overtaken();
            }
        } else {
            pieces.hold(jdbc.sql(
                            "select n.piece_id from cut_step t join strand n on n.id = t.strand_id where t.id = any (?)")
                    .param(steps.toArray(Long[]::new))
                    .query(Long.class)
                    .list());
        }
        return last;
    }

    private boolean lastOf(long listId, Collection<Long> steps) {
        return jdbc.sql("""
                        select not exists (select 1 from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                           where s.cut_list_id = ? and t.done_at is null and t.id <> all (?))
                        """)
                .params(listId, steps.toArray(Long[]::new))
                .query(Boolean.class)
                .single();
    }

    /** The list, and those that its waiting pieces stand in. */
    private Set<Long> together(long listId) {
        Set<Long> together = new TreeSet<>(givenUp.listsOf(waiting(listId)));
        together.add(listId);
        return together;
    }

    private List<Long> batchesOf(Collection<Long> lists) {
        return jdbc.sql("select batch_id from cut_list_batch where cut_list_id = any (?)")
                .param(lists.toArray(Long[]::new))
                .query(Long.class)
                .list();
    }

    /** All that is still to do, at once: for those who cut by the sheet. */
    @Transactional
    public void confirm(long listId) {
        hold(listId, jdbc.sql("""
                                select t.id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                where s.cut_list_id = ? and t.done_at is null
                                """).param(listId).query(Long.class).list());
        CutList list = lists.cutting(listId);
        list.spools().forEach(CutBench::inMyHand);
        checkComplete(list);
        Collection<PartTaken> lacking =
                make(list, list.spools().stream().map(Next::all).toList(), true);
        if (!list.confirmed()) {
            // All is cut but what lacks parts; say which.
            stock.hold(List.of(), lacking).take(lacking);
            throw new Conflict("stockChanged");
        }
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
        Set<Long> needed =
                batches.strandsOf(cutting(list)).stream().map(StrandNeed::id).collect(Collectors.toSet());
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
        if (lastOf(list.id(), steps) != last) {
            // Somebody made the other last cut meanwhile, or more was planned: other orders are to be held.
            throw new LockOrder.Overtaken();
        }
        Map<Long, StrandNeed> strands =
                batches
                        .strands(all.stream()
                                .flatMap(s -> Optional.ofNullable(s.strandId()).stream())
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(StrandNeed::id, Function.identity()));
        Set<Long> touched = strands.values().stream().map(StrandNeed::piece).collect(Collectors.toSet());
        Ready ready = ready(list, last ? new HashSet<>(uncut(list)) : touched, steps);
        Picking picking = hold(list, cuts, ready, last);
        cuts.stream().sorted(Comparator.comparing(n -> n.spool().holdingId())).forEach(n -> make(n, strands));
        entities.flush();
        Set<Long> lacking = complete(ready, picking);
        costs.cut(list, union(touched, ready.pieces()), steps);
        // What is begun and not cut is known by what it cost so far, so this comes last.
        touched.removeAll(ready.pieces());
        touched.addAll(lacking);
        pieces.cutting(touched);
        if (last && lacking.isEmpty()) {
            finish(list);
        }
        return ready.parts().stream().filter(p -> lacking.contains(p.piece())).toList();
    }

    /**
     * Holds what the cuts are made from and the parts of what is ready; with the last cut also what giving the waiting pieces back
     * to the open work moves, because nothing before it in the order can be held after it.
     */
    private Picking hold(CutList list, List<Next> cuts, Ready ready, boolean last) {
        Set<Long> holdings =
                cuts.stream().map(n -> n.spool().holdingId()).collect(Collectors.toCollection(TreeSet::new));
        List<PartTaken> parts = new ArrayList<>(ready.parts());
        if (last) {
            Set<Long> waiting = new TreeSet<>(waiting(list.id()));
            holdings.addAll(stock.moved(waiting, List.of()));
            parts.addAll(givenUp.partsReadyWithout(waiting, list.id()));
        }
        return stock.hold(holdings, parts);
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

    /** Pieces no strand of which is left to cut, and the parts that they take. */
    record Ready(Set<Long> pieces, List<PartTaken> parts) {
        static final Ready NOTHING = new Ready(Set.of(), List.of());
    }

    /** Those of the pieces that are ready once these steps are made. */
    Ready ready(CutList list, Collection<Long> candidates, Collection<Long> steps) {
        Set<Long> all = new TreeSet<>(jdbc.sql("""
                        select p.id from piece p join strand n on n.piece_id = p.id
                            left join cut_step t on t.strand_id = n.id and (t.done_at is not null or t.id = any (:steps))
                            left join cut_trimming r on r.strand_id = n.id and r.cut_list_id = :list and r.tail_um >= n.cut_um
                        where p.id = any (:pieces) and p.cut_at is null
                        group by p.id having count(*) = count(coalesce(t.id, r.strand_id))
                        """)
                .param("list", list.id())
                .param("steps", steps.toArray(Long[]::new))
                .param("pieces", candidates.toArray(Long[]::new))
                .query(Long.class)
                .list());
        return new Ready(
                all,
                batches.partsOf(all).stream()
                        .map(p -> new PartTaken(p.piece(), p.batch(), p.article(), p.quantity()))
                        .toList());
    }

    /** Takes the parts of pieces that are ready, and calls them cut; answers those that lack parts and are left for later. */
    private Set<Long> complete(Ready ready, Picking picking) {
        Map<Long, List<PartTaken>> parts = ready.parts().stream().collect(Collectors.groupingBy(PartTaken::piece));
        Set<Long> cut = new HashSet<>();
        for (long piece : ready.pieces()) {
            List<PartTaken> needs = parts.getOrDefault(piece, List.of());
            if (picking.enough(needs)) {
                picking.take(needs);
                cut.add(piece);
            }
        }
        entities.flush();
        if (!cut.isEmpty()) {
            pieces.markCut(cut);
        }
        Set<Long> lacking = new HashSet<>(ready.pieces());
        lacking.removeAll(cut);
        return lacking;
    }

    /** Nothing of the list is left to cut; what had to wait goes back to the open work. */
    private void finish(CutList list) {
        List<Long> waiting = waiting(list.id());
        List<Long> left = uncut(list);
        left.removeAll(waiting);
        if (!left.isEmpty()) {
            mustBeLongEnough(list);
            return;
        }
        list.confirm(clock.instant(), Workshop.whoever());
        costs.workOut(list);
        entities.flush();
        list.batches().forEach(batch -> batches.release(batch, waiting));
    }

    /** A tail may be too short for what its strand is worked out to need by now. */
    private void mustBeLongEnough(CutList list) {
        record Longer(String role, long needed, long tail) {}
        jdbc.sql("""
                        select n.role, n.cut_um as needed, r.tail_um as tail from cut_trimming r join strand n on n.id = r.strand_id
                        where r.cut_list_id = ? and r.tail_um < n.cut_um order by n.id limit 1
                        """).param(list.id()).query(Longer.class).optional().ifPresent(longer -> {
            throw new Conflict("cut.longerNow", longer.role(), new Length(longer.needed()), new Length(longer.tail()));
        });
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
        CutList list = holdToTakeBack(listId, piece);
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
            reopen(list);
            costs.workOut(list);
        }
        for (long id : wasCut) {
            stock.takeBackPicked(id);
            pieces.unmarkCut(id);
        }
        costs.cut(list, piece, List.of(last.id()), () -> {
            stock.takeBackCut(last.id());
            last.undone();
            entities.flush();
        });
        spool.inHandOf(Workshop.whoever());
        pieces.cutting(piece);
        return last.kind() == StepKind.OFFCUT;
    }

    /**
     * Holds a list of which something is taken back, with the orders of these pieces. All pieces of a list that is done share what
     * it threw away, so that taking back concerns them all.
     */
    CutList holdToTakeBack(long listId, Set<Long> piece) {
        boolean done = jdbc.sql("select confirmed_at is not null from cut_list where id = ?")
                .param(listId)
                .query(Boolean.class)
                .optional()
                .orElse(false);
        if (done) {
            pieces.holdBatches(batchesOf(Set.of(listId)));
        }
        pieces.hold(piece);
        CutList list = lists.held(listId);
        if (list.confirmed() && !done) {
            throw new LockOrder.Overtaken();
        }
        return list;
    }

    /** A list that was done is to be cut again, unless another has begun with the same batches. */
    void reopen(CutList list) {
        boolean another = jdbc.sql("""
                        select exists (select 1 from cut_list c join cut_list_batch b on b.cut_list_id = c.id
                                       where c.confirmed_at is null and b.batch_id in (:batches))
                        """)
                .param("batches", list.batches())
                .query(Boolean.class)
                .single();
        if (another) {
            throw new Conflict("cut.nothingToUndo");
        }
        list.reopen();
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

    /**
     * Pieces left the list: what their spools still had to do is planned no more; a list that lost everything goes. All of the
     * list's orders are held, and the boxes of what is ready without them.
     */
    void leaveOut(CutList list, Set<Long> gone, Ready ready, Picking picking) {
        Set<Long> strands = batches.strandsOf(gone).stream().map(StrandNeed::id).collect(Collectors.toSet());
        list.spools().stream()
                .filter(s -> s.toDo().stream().anyMatch(t -> t.strandId() != null && strands.contains(t.strandId())))
                .forEach(CutSpool::unplan);
        list.spools().removeIf(s -> s.steps().isEmpty());
        entities.flush();
        if (list.spools().stream().allMatch(s -> s.lastDone().isEmpty())) {
            entities.remove(list);
            entities.flush();
        } else if (lastOf(list.id(), List.of())) {
            Set<Long> lacking = complete(ready, picking);
            costs.cut(list, ready.pieces(), List.of());
            if (lacking.isEmpty()) {
                finish(list);
            }
        }
    }

    /** What is ready of a list when these pieces leave it. */
    Ready readyWithout(CutList list, Set<Long> gone) {
        List<Long> rest = uncut(list);
        rest.removeAll(gone);
        return ready(list, rest, List.of());
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

    /** The pieces that the list still cuts: those of its batches that are not cut and do not wait. */
    private List<Long> cutting(CutList list) {
        List<Long> cutting = uncut(list);
        cutting.removeAll(waiting(list.id()));
        return cutting;
    }

    private List<Long> uncut(CutList list) {
        List<Long> uncut = new ArrayList<>();
        list.batches().forEach(b -> uncut.addAll(pieces.uncut(b)));
        return uncut;
    }

    private List<Long> waiting(long list) {
        return jdbc.sql("select piece_id from cut_waiting where cut_list_id = ?")
                .param(list)
                .query(Long.class)
                .list();
    }
}
