package dev.restis.app.cut;

import dev.restis.app.orders.Pieces;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.Batches.PartNeed;
import dev.restis.app.plan.Batches.StrandNeed;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.stock.Stock;
import dev.restis.app.stock.Stock.Fate;
import dev.restis.app.stock.Stock.Stretch;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cost.PieceCost;
import dev.restis.core.cost.Shares;
import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.cutting.CutPlanner;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.FirstFitDecreasing;
import dev.restis.core.cutting.Holding;
import dev.restis.core.cutting.LeastCost;
import dev.restis.core.cutting.WithTrimmings;
import dev.restis.core.cutting.solver.GridSolver;
import dev.restis.core.measure.Length;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Proposing and confirming cut lists; confirming is the one moment when the books move. */
@Service
public class CutLists {

    /** Enough to be within hundredths of a per cent of the best on real batches, most of them in well under a second. */
    private static final GridSolver.Effort EFFORT = new GridSolver.Effort(6, 20);

    private static final CutPlanner PLAIN = new WithTrimmings(new FirstFitDecreasing());
    private static final Duration WITHIN = Duration.ofSeconds(2);

    private final Batches batches;
    private final Pieces pieces;
    private final Stock stock;
    private final CutWeights weights;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final Clock clock;
    private final CutPlanner planner = new WithTrimmings(new LeastCost(EFFORT, WITHIN));

    CutLists(
            Batches batches,
            Pieces pieces,
            Stock stock,
            CutWeights weights,
            EntityManager entities,
            JdbcClient jdbc,
            JdbcTemplate bulk,
            Clock clock) {
        this.batches = batches;
        this.pieces = pieces;
        this.stock = stock;
        this.weights = weights;
        this.entities = entities;
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.clock = clock;
    }

    /** Plans the uncut pieces of a batch on what lies on the shelves now; replaces an earlier proposal. */
    @Transactional
    public long propose(long batch) {
        List<Long> uncut = pieces.uncut(batch);
        if (uncut.isEmpty()) {
            throw new NotFound("batch.nothingToCut");
        }
        // Two lists planned at once would both count on the same metres.
        jdbc.sql("select pg_advisory_xact_lock(hashtext('cut-plan'))").query().listOfRows();
        jdbc.sql("delete from cut_list where batch_id = ? and confirmed_at is null")
                .param(batch)
                .update();
        List<StrandNeed> strands = batches.strandsOf(uncut);
        Set<Long> articles = strands.stream().map(StrandNeed::article).collect(Collectors.toSet());
        List<Demand> demands = strands.stream()
                .map(s -> new Demand(s.id(), s.piece(), s.set(), s.article(), new Length(s.cutUm()), s.tails()))
                .toList();
        Stock.Cuttable there = stock.cuttable(articles, batch);
        CutRequest request = new CutRequest(demands, there.free(), begun(strands), weights.aims(there.prices()));
        CutPlan plan = planner.plan(request);
        CutList list = new CutList(batch, clock.instant(), plan.quality());
        int opened =
                (int) plan.spools().stream().filter(p -> p.holding().sealed()).count();
        list.opens(
                opened,
                opened == 0 ? 0 : waitingUnopened(request) - plan.waiting().size());
        for (CutPlan.SpoolPlan spool : plan.spools()) {
            CutSpool row = new CutSpool(
                    list.spools().size() + 1,
                    spool.holding().id(),
                    spool.holding().length().micrometres(),
                    there.balance(spool.holding().id()));
            // What is left is short only for this list: on the spool it hangs together with what others mean to cut.
            boolean shared = row.balanceUm() > row.lengthUm();
            for (CutPlan.Step step : spool.steps()) {
                row.steps()
                        .add(new CutStep(
                                row.steps().size() + 1,
                                step.kind(),
                                step.length().micrometres(),
                                step.kind() == StepKind.STRAND ? step.strand() : null,
                                step.keep() || shared && step.kind() == StepKind.REST));
            }
            list.spools().add(row);
        }
        entities.persist(list);
        entities.flush();
        bulk.batchUpdate(
                "insert into cut_waiting (cut_list_id, piece_id, article_id, needed, best) values (?, ?, ?, ?, ?)",
                plan.waiting().stream()
                        .map(w -> new Object[] {
                            list.id(),
                            w.piece(),
                            w.article(),
                            w.needed().micrometres(),
                            w.best().micrometres()
                        })
                        .toList());
        bulk.batchUpdate(
                "insert into cut_trimming (cut_list_id, strand_id, source_id, tail_um) values (?, ?, ?, ?)",
                plan.trimmings().stream()
                        .map(t -> new Object[] {
                            list.id(), t.strand(), t.source(), t.tail().micrometres()
                        })
                        .toList());
        return list.id();
    }

    /** How many pieces would wait if nothing that is sealed were opened. */
    private static int waitingUnopened(CutRequest request) {
        List<Holding> open =
                request.holdings().stream().filter(h -> !h.sealed()).toList();
        return PLAIN.plan(new CutRequest(request.demands(), open, request.begun(), request.aims()))
                .waiting()
                .size();
    }

    /** The lots that matching sets were begun with, in this batch or an earlier one. */
    private Map<Demand.OneLot, Long> begun(List<StrandNeed> strands) {
        Set<Long> sets = strands.stream().flatMap(s -> s.set().stream()).collect(Collectors.toSet());
        Map<Demand.OneLot, Long> begun = new HashMap<>();
        if (!sets.isEmpty()) {
            jdbc.sql("""
                            select distinct l.order_id, lot.article_id, lot.id as lot
                            from order_line l join piece p on p.line_id = l.id join ledger g on g.piece_id = p.id
                                 join holding h on h.id = g.holding_id join lot on lot.id = h.lot_id
                            where l.matching and l.order_id in (:sets) and g.movement = 'CUT'
                            """).param("sets", sets).query(row -> {
                begun.put(
                        new Demand.OneLot(true, row.getLong("order_id"), row.getLong("article_id")),
                        row.getLong("lot"));
            });
        }
        return begun;
    }

    /** Decides what becomes of a leftover. */
    @Transactional
    public void keep(long listId, long step, boolean keep) {
        CutList list = open(listId);
        list.spools().stream()
                .flatMap(s -> s.steps().stream())
                .filter(s -> s.id() == step && s.kind() != StepKind.STRAND)
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"))
                .keep(keep);
    }

    /**
     * Moves the books: strands and scrap leave their spools, remnants get a place of their own, hardware is picked, and
     * each piece gets its actual cost. Pieces that must wait go back to the open work.
     */
    @Transactional
    public void confirm(long listId) {
        CutList list = open(listId);
        long batch = list.batchId();
        List<Long> waiting = jdbc.sql("select piece_id from cut_waiting where cut_list_id = ?")
                .param(listId)
                .query(Long.class)
                .list();
        List<Long> cutting = new ArrayList<>(pieces.uncut(batch));
        cutting.removeAll(waiting);
        Map<Long, StrandNeed> strands =
                batches.strandsOf(cutting).stream().collect(Collectors.toMap(StrandNeed::id, Function.identity()));
        Set<Long> trimmings = Set.copyOf(jdbc.sql("select strand_id from cut_trimming where cut_list_id = ?")
                .param(listId)
                .query(Long.class)
                .list());
        checkComplete(list, trimmings, strands.keySet());
        CostBook costs = new CostBook(strands);
        list.spools().stream()
                .sorted(java.util.Comparator.comparing(CutSpool::holdingId))
                .forEach(spool -> cut(spool, batch, strands, costs));
        for (PartNeed part : batches.partsOf(cutting)) {
            costs.hardware(part.piece(), stock.pick(part.article(), part.quantity(), part.piece(), batch));
        }
        list.confirm(clock.instant(), Workshop.whoever());
        pieces.markCut(Set.copyOf(cutting));
        entities.flush();
        bulk.batchUpdate(
                "insert into piece_actual (piece_id, used, tails, waste, hardware) values (?, ?, ?, ?, ?)",
                costs.rows());
        batches.release(batch, waiting);
    }

    /** A proposal goes stale when pieces left the batch or joined it since. */
    private static void checkComplete(CutList list, Set<Long> trimmings, Set<Long> needed) {
        Set<Long> cut = list.spools().stream()
                .flatMap(s -> s.steps().stream())
                .filter(s -> s.kind() == StepKind.STRAND)
                .map(CutStep::strandId)
                .collect(Collectors.toSet());
        Set<Long> planned = new HashSet<>(cut);
        planned.addAll(trimmings);
        if (!planned.equals(needed) || cut.isEmpty()) {
            throw new Conflict(cut.isEmpty() ? "cut.nothing" : "stockChanged");
        }
    }

    private void cut(CutSpool spool, long batch, Map<Long, StrandNeed> strands, CostBook costs) {
        List<Stretch> stretches = new ArrayList<>();
        for (CutStep step : spool.steps()) {
            Long strandId = step.strandId();
            StrandNeed strand = strandId == null ? null : strands.get(strandId);
            if (strand != null) {
                stretches.add(new Stretch(Fate.STRAND, step.lengthUm(), strand.piece(), strandId));
            } else if (!step.keep()) {
                stretches.add(new Stretch(Fate.BIN, step.lengthUm(), null, null));
            } else if (step.kind() == StepKind.OFFCUT) {
                stretches.add(new Stretch(Fate.REMNANT, step.lengthUm(), null, null));
            }
        }
        List<BigDecimal> values =
                stock.cut(spool.holdingId(), new Stock.Planned(spool.lengthUm(), spool.balanceUm()), stretches, batch);
        for (int i = 0; i < stretches.size(); i++) {
            Stretch stretch = stretches.get(i);
            if (stretch.fate() == Fate.STRAND && stretch.strand() != null) {
                costs.strand(stretch.strand(), values.get(i));
            } else if (stretch.fate() == Fate.BIN) {
                costs.waste(values.get(i));
            }
        }
    }

    private CutList open(long id) {
        CutList list = entities.find(CutList.class, id, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        if (list == null) {
            throw new NotFound("cut.replaced");
        }
        if (list.confirmed()) {
            throw new Conflict("cut.confirmed");
        }
        return list;
    }

    /** Gathers what each piece of one cut list really cost. */
    private static final class CostBook {
        private final Map<Long, StrandNeed> strands;
        private final Map<Long, PieceCost> costs = new TreeMap<>();
        private final Map<Long, Long> cutLengths = new HashMap<>();
        private BigDecimal waste = BigDecimal.ZERO;

        CostBook(Map<Long, StrandNeed> strands) {
            this.strands = strands;
            strands.values().forEach(s -> costs.put(s.piece(), PieceCost.NOTHING));
        }

        void strand(long id, BigDecimal value) {
            StrandNeed strand = strands.get(id);
            if (strand == null) {
                throw new IllegalStateException("Impossible state: strand " + id + " is cut but not needed");
            }
            List<BigDecimal> parts = Shares.of(value, List.of(strand.usedUm(), strand.cutUm() - strand.usedUm()));
            add(strand.piece(), new PieceCost(parts.get(0), parts.get(1), BigDecimal.ZERO, BigDecimal.ZERO));
            cutLengths.merge(strand.piece(), strand.cutUm(), Long::sum);
        }

        void hardware(long piece, BigDecimal value) {
            add(piece, new PieceCost(BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, value));
        }

        void waste(BigDecimal value) {
            waste = waste.add(value);
        }

        private void add(long piece, PieceCost cost) {
            costs.merge(piece, cost, PieceCost::plus);
        }

        /** The waste of the list is shared by the cord that each piece took. */
        List<Object[]> rows() {
            List<Long> order = List.copyOf(costs.keySet());
            List<BigDecimal> shares = Shares.of(
                    waste,
                    order.stream().map(p -> cutLengths.getOrDefault(p, 0L)).toList());
            List<Object[]> rows = new ArrayList<>();
            for (int i = 0; i < order.size(); i++) {
                PieceCost cost = costs.getOrDefault(order.get(i), PieceCost.NOTHING);
                rows.add(new Object[] {order.get(i), cost.used(), cost.tails(), shares.get(i), cost.hardware()});
            }
            return rows;
        }
    }
}
