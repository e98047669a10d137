package dev.restis.app.cut;

import dev.restis.app.orders.Pieces;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.Batches.PartNeed;
import dev.restis.app.plan.Batches.StrandNeed;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.HoldingActs;
import dev.restis.app.stock.Stock;
import dev.restis.app.stock.Stock.Fate;
import dev.restis.app.stock.Stock.Stretch;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cutting.CordRun;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Cutting, one cut after the other. Each cut moves the books in one transaction: cord leaves its spool, what is kept becomes a
 * remnant, what the piece cost so far is worked out, and with a piece's last strand its hardware is picked and it is cut. A cut
 * is taken back by rows against those that it made. After a mishap what is left to cut is planned anew in the same transaction.
 */
@Service
public class CutBench {

    private final CutLists lists;
    private final CutCosts costs;
    private final Batches batches;
    private final Pieces pieces;
    private final Stock stock;
    private final HoldingActs acts;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    CutBench(
            CutLists lists,
            CutCosts costs,
            Batches batches,
            Pieces pieces,
            Stock stock,
            HoldingActs acts,
            EntityManager entities,
            JdbcClient jdbc,
            Clock clock) {
        this.lists = lists;
        this.costs = costs;
        this.batches = batches;
        this.pieces = pieces;
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
        CutSpool spool = spool(lists.open(listId), spoolId);
        if (!over) {
            inMyHand(spool);
        }
        spool.inHandOf(Workshop.whoever());
    }

    /** Puts a spool down again. */
    @Transactional
    public void putDown(long listId, long spoolId) {
        CutSpool spool = spool(lists.open(listId), spoolId);
        if (Workshop.whoever().equals(spool.inHandOf())) {
            spool.inHandOf(null);
        }
    }

    /**
     * Makes the next cuts of a spool.
     *
     * @param steps in their order
     * @param keep what becomes of a leftover, where it is decided now
     * @throws Conflict when one of them is made already, or is not the next
     */
    @Transactional
    public void cut(long listId, long spoolId, List<Long> steps, @Nullable Boolean keep) {
        CutList list = lists.open(listId);
        CutSpool spool = spool(list, spoolId);
        inMyHand(spool);
        List<CutStep> made = next(spool, steps);
        if (keep != null) {
            made.stream().filter(s -> s.kind() != StepKind.STRAND).forEach(s -> s.keep(keep));
        }
        make(list, Map.of(spool, made));
    }

    private static List<CutStep> next(CutSpool spool, List<Long> steps) {
        Map<Long, CutStep> byId = spool.steps().stream().collect(Collectors.toMap(CutStep::id, Function.identity()));
        for (long id : steps) {
            CutStep step = byId.get(id);
            if (step == null) {
                throw new Conflict("cut.planChanged");
            }
            if (step.done()) {
                throw new Conflict("cut.done", step.doneBy());
            }
        }
        List<CutStep> toDo = spool.toDo();
        if (steps.isEmpty()
                || steps.size() > toDo.size()
                || !toDo.subList(0, steps.size()).stream()
                        .map(CutStep::id)
                        .toList()
                        .equals(steps)) {
            throw new Conflict("cut.planChanged");
        }
        return toDo.subList(0, steps.size());
    }

    /** All that is still to do, at once: for those who cut by the sheet. */
    @Transactional
    public void confirm(long listId) {
        CutList list = lists.open(listId);
        list.spools().forEach(CutBench::inMyHand);
        checkComplete(list);
        Map<CutSpool, List<CutStep>> all = new HashMap<>();
        list.spools().forEach(s -> all.put(s, s.toDo()));
        make(list, all);
        if (!list.confirmed()) {
            // All is cut but what lacks parts; say which.
            lacking(list).forEach((piece, parts) -> pick(parts));
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

    /** Moves the books for these cuts. */
    private void make(CutList list, Map<CutSpool, List<CutStep>> cuts) {
        Map<Long, StrandNeed> strands = batches
                .strands(cuts.values().stream()
                        .flatMap(List::stream)
                        .flatMap(s -> Optional.ofNullable(s.strandId()).stream())
                        .toList())
                .stream()
                .collect(Collectors.toMap(StrandNeed::id, Function.identity()));
        Set<Long> touched = new HashSet<>();
        cuts.entrySet().stream()
                .sorted(Comparator.comparing(e -> e.getKey().holdingId()))
                .forEach(e -> {
                    CutSpool spool = e.getKey();
                    Stock.Planned believed = new Stock.Planned(spool.needUm(), spool.balanceUm());
                    List<Stretch> stretches = new ArrayList<>();
                    for (CutStep step : e.getValue()) {
                        stretch(step, strands).ifPresent(stretches::add);
                        Long strand = step.strandId();
                        StrandNeed need = strand == null ? null : strands.get(strand);
                        if (need != null) {
                            touched.add(need.piece());
                        }
                        step.done(clock.instant(), Workshop.whoever());
                    }
                    if (!stretches.isEmpty()) {
                        stock.cut(spool.holdingId(), believed, stretches);
                    }
                    if (spool.toDo().isEmpty()) {
                        spool.inHandOf(null);
                    }
                });
        entities.flush();
        complete(list, touched);
        costs.workOut(list);
        finishIfDone(list);
    }

    private static Optional<Stretch> stretch(CutStep step, Map<Long, StrandNeed> strands) {
        if (step.kind() == StepKind.STRAND) {
            Long id = step.strandId();
            StrandNeed strand = id == null ? null : strands.get(id);
            if (strand == null) {
                throw new Conflict("cut.planChanged");
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

    /** Picks the parts of pieces whose strands are all cut, and calls them cut; what lacks parts is left for later. */
    private void complete(CutList list, Set<Long> touched) {
        Set<Long> ready = new HashSet<>(touched);
        ready.retainAll(allStrandsCut(list));
        Map<Long, List<PartNeed>> parts =
                batches.partsOf(ready).stream().collect(Collectors.groupingBy(PartNeed::piece));
        Set<Long> cut = new HashSet<>();
        for (long piece : ready.stream().sorted().toList()) {
            List<PartNeed> needs = parts.getOrDefault(piece, List.of());
            if (stock.enough(needs.stream().collect(Collectors.toMap(PartNeed::article, PartNeed::quantity)))) {
                pick(needs);
                cut.add(piece);
            }
        }
        if (!cut.isEmpty()) {
            pieces.markCut(cut);
        }
        Set<Long> others = new HashSet<>(touched);
        others.removeAll(cut);
        pieces.cutting(others);
    }

    private void pick(List<PartNeed> needs) {
        needs.forEach(part -> stock.pick(part.article(), part.quantity(), part.piece(), part.batch()));
    }

    /** Pieces of the list that are not called cut yet, though no strand of theirs is left to cut. */
    private Set<Long> allStrandsCut(CutList list) {
        return Set.copyOf(jdbc.sql("""
                        select p.id from piece p join strand n on n.piece_id = p.id
                            left join cut_step t on t.strand_id = n.id and t.done_at is not null
                            left join cut_trimming r on r.strand_id = n.id and r.cut_list_id = :list
                        where p.batch_id in (:batches) and p.cut_at is null
                        group by p.id having count(*) = count(coalesce(t.id, r.strand_id))
                        """)
                .param("list", list.id())
                .param("batches", list.batches())
                .query(Long.class)
                .list());
    }

    /** What is missing for pieces whose strands are all cut. */
    private Map<Long, List<PartNeed>> lacking(CutList list) {
        return batches.partsOf(allStrandsCut(list)).stream().collect(Collectors.groupingBy(PartNeed::piece));
    }

    /** A list is done when nothing is left to cut; what had to wait goes back to the open work. */
    private void finishIfDone(CutList list) {
        entities.flush();
        boolean more = jdbc.sql("""
                        select exists (select 1 from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                       where s.cut_list_id = ? and t.done_at is null)
                        """).param(list.id()).query(Boolean.class).single();
        if (more) {
            return;
        }
        // Pieces of nothing but tails, and those that lacked parts.
        Set<Long> rest = allStrandsCut(list);
        if (!rest.isEmpty()) {
            complete(list, rest);
            costs.workOut(list);
            if (!allStrandsCut(list).isEmpty()) {
                return;
            }
        }
        if (!cutting(list).isEmpty()) {
            return;
        }
        list.confirm(clock.instant(), Workshop.whoever());
        entities.flush();
        List<Long> waiting = waiting(list.id());
        list.batches().forEach(batch -> batches.release(batch, waiting));
    }

    /** Takes the last cut of a spool back. */
    @Transactional
    public void undo(long listId, long spoolId) {
        lists.lockPlanning();
        CutList list = lists.held(listId);
        list.touched();
        CutSpool spool = spool(list, spoolId);
        inMyHand(spool);
        CutStep last = spool.lastDone().orElseThrow(() -> new Conflict("cut.nothingToUndo"));
        Long strand = last.strandId();
        if (last.kind() == StepKind.STRAND && strand == null) {
            throw new Conflict("cut.givenUp");
        }
        if (list.confirmed()) {
            reopen(list);
        }
        Set<Long> piece = strand == null ? Set.of() : pieceOf(strand);
        for (long id : pieces.cutOf(piece)) {
            stock.takeBackPicked(id);
            pieces.unmarkCut(id);
        }
        stock.takeBackCut(last.id());
        last.undone();
        spool.inHandOf(Workshop.whoever());
        entities.flush();
        pieces.cutting(piece);
        costs.workOut(list);
        if (last.kind() == StepKind.OFFCUT) {
            // What lies before the rest is longer again; the plan did not count on it.
            lists.planRest(listId);
        }
    }

    private void reopen(CutList list) {
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

    private Set<Long> pieceOf(long strand) {
        return Set.copyOf(jdbc.sql("select piece_id from strand where id = ?")
                .param(strand)
                .query(Long.class)
                .list());
    }

    /** A flaw or a join shows up on the spool. */
    @Transactional
    public void flaw(long listId, long spoolId, @Nullable String at, UnitSystem units, boolean join) {
        lists.lockPlanning();
        CutSpool spool = spool(lists.open(listId), spoolId);
        inMyHand(spool);
        acts.flaw(spool.holdingId(), at, units, join);
        lists.planRest(listId);
    }

    /** The spool has less than the books say. */
    @Transactional
    public void ranOut(long listId, long spoolId, @Nullable String left, UnitSystem units) {
        lists.lockPlanning();
        CutSpool spool = spool(lists.open(listId), spoolId);
        inMyHand(spool);
        acts.ranOut(spool.holdingId(), left, units);
        lists.planRest(listId);
    }

    /** Something was cut off that serves no strand of the list. */
    @Transactional
    public void cutWrong(long listId, long spoolId, @Nullable String length, UnitSystem units, boolean keep) {
        lists.lockPlanning();
        CutList list = lists.open(listId);
        CutSpool spool = spool(list, spoolId);
        inMyHand(spool);
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
        costs.workOut(list);
        lists.planRest(listId);
    }

    /** Where a spool stands that runs through the cord counter. */
    public record CounterView(CordRun.Stand stand, long ranUm, long needUm) {}

    /**
     * The cord counter drives the cuts: as soon as the length of the next one has run through, it counts as made.
     *
     * @param shown what the counter shows
     * @param anew whether to count from here
     */
    @Transactional
    public CounterView counted(long listId, long spoolId, long shown, boolean anew) {
        CutList list = lists.open(listId);
        CutSpool spool = spool(list, spoolId);
        inMyHand(spool);
        Long from = spool.counterUm();
        if (anew || from == null || from > shown) {
            spool.counterUm(shown);
            from = shown;
        }
        Optional<CutStep> next = spool.toDo().stream().findFirst().filter(s -> s.kind() == StepKind.STRAND);
        if (next.isEmpty()) {
            return new CounterView(CordRun.Stand.NOTHING_TO_CUT, 0, 0);
        }
        long need = next.get().lengthUm();
        CordRun run = new CordRun(new Length(shown - from), new Length(need));
        if (run.stand() == CordRun.Stand.CUT_HERE) {
            make(list, Map.of(spool, List.of(next.get())));
            spool.counterUm(shown);
        }
        return new CounterView(run.stand(), shown - from, need);
    }

    /** Pieces left the list: what their spools still had to do is planned no more; a list that lost everything goes. */
    void leaveOut(CutList list, Set<Long> gone) {
        Set<Long> strands = batches.strandsOf(gone).stream().map(StrandNeed::id).collect(Collectors.toSet());
        list.spools().stream()
                .filter(s -> s.toDo().stream().anyMatch(t -> t.strandId() != null && strands.contains(t.strandId())))
                .forEach(CutSpool::unplan);
        list.spools().removeIf(s -> s.steps().isEmpty());
        entities.flush();
        if (list.spools().stream().allMatch(s -> s.lastDone().isEmpty())) {
            entities.remove(list);
            entities.flush();
        } else {
            finishIfDone(list);
        }
    }

    private static void inMyHand(CutSpool spool) {
        String hand = spool.inHandOf();
        if (hand != null && !hand.equals(Workshop.whoever())) {
            throw new Conflict("cut.inHand", hand);
        }
        spool.inHandOf(Workshop.whoever());
    }

    static CutSpool spool(CutList list, long id) {
        return list.spools().stream()
                .filter(s -> s.id() == id)
                .findFirst()
                .orElseThrow(() -> new Conflict("cut.planChanged"));
    }

    /** The pieces that the list still cuts: those of its batches that are not cut and do not wait. */
    private List<Long> cutting(CutList list) {
        List<Long> cutting = new ArrayList<>();
        list.batches().forEach(b -> cutting.addAll(pieces.uncut(b)));
        cutting.removeAll(waiting(list.id()));
        return cutting;
    }

    private List<Long> waiting(long list) {
        return jdbc.sql("select piece_id from cut_waiting where cut_list_id = ?")
                .param(list)
                .query(Long.class)
                .list();
    }
}
