package dev.restis.app.cut;

import dev.restis.app.cut.CutList.Pin;
import dev.restis.app.orders.Pieces;
import dev.restis.app.plan.Batches;
import dev.restis.app.plan.Batches.StrandNeed;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Stock;
import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.cutting.CutPlanner;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.Holding;
import dev.restis.core.cutting.LeastCost;
import dev.restis.core.cutting.WithTrimmings;
import dev.restis.core.cutting.solver.GridSolver.Effort;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans cut lists: anew, for what is left of them, and as the bench wants them. */
@Service
public class CutLists {

    /** The first plan stands at once, and so does that for what is left after a mishap; {@link Bettering} takes longer. */
    private static final CutPlanner QUICK =
            new WithTrimmings(new LeastCost(new Effort(2, 5), 8, Duration.ofMillis(300)));

    private static final int MOST_BATCHES = 40;

    /** What a piece is to be cut from. */
    record PinInput(long piece, long holding) {}

    /**
     * A plan as it was asked for, so that a better one can take its place as long as nothing happened.
     */
    public record Planned(
            long list,
            int revision,
            CutRequest request,
            Map<Long, Long> balances,
            int waiting,
            Optional<BigDecimal> gap) {}

    private final Batches batches;
    private final Pieces pieces;
    private final Stock stock;
    private final CutCosts costs;
    private final CutWeights weights;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final Clock clock;

    CutLists(
            Batches batches,
            Pieces pieces,
            Stock stock,
            CutCosts costs,
            CutWeights weights,
            EntityManager entities,
            JdbcClient jdbc,
            JdbcTemplate bulk,
            Clock clock) {
        this.batches = batches;
        this.pieces = pieces;
        this.stock = stock;
        this.costs = costs;
        this.weights = weights;
        this.entities = entities;
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.clock = clock;
    }

    /** Plans the uncut pieces of these batches on what lies on the shelves now; replaces earlier proposals. */
    @Transactional
    public Planned propose(Collection<Long> which) {
        if (which.isEmpty() || which.size() > MOST_BATCHES) {
            throw new Rejected(Fault.of("batches", "cut.batches", MOST_BATCHES));
        }
        Set<Long> chosen = new TreeSet<>(which);
        lockPlanning();
        if (uncut(chosen).isEmpty()) {
            throw new NotFound("batch.nothingToCut");
        }
        withdraw(chosen);
        CutList list = new CutList(chosen, clock.instant());
        entities.persist(list);
        entities.flush();
        return plan(list);
    }

    /** Plans what is left of a list anew, on what is really there, keeping what is cut. */
    @Transactional
    public Planned planRest(long listId) {
        lockPlanning();
        return plan(open(listId));
    }

    /** Keeps what the bench wants of the list, and plans what is left of it accordingly. */
    @Transactional
    public Planned wish(long listId, Collection<Long> forbidden, Collection<PinInput> pins) {
        lockPlanning();
        CutList list = open(listId);
        Set<Long> there = new HashSet<>(uncut(list.batches()));
        if (!pins.stream().allMatch(p -> there.contains(p.piece()))) {
            throw new Rejected(Fault.of("pins", "cut.pinGone"));
        }
        checkThere("forbidden", forbidden);
        checkThere("pins", pins.stream().map(PinInput::holding).toList());
        if (pins.stream().anyMatch(p -> forbidden.contains(p.holding()))) {
            throw new Rejected(Fault.of("pins", "cut.pinForbidden"));
        }
        list.wishes(
                forbidden,
                pins.stream().map(p -> new Pin(p.piece(), p.holding())).toList());
        return plan(list);
    }

    private void checkThere(String field, Collection<Long> holdings) {
        Set<Long> asked = Set.copyOf(holdings);
        long known = jdbc.sql("select count(*) from holding where id = any (?)")
                .param(asked.toArray(Long[]::new))
                .query(Long.class)
                .single();
        if (known < asked.size()) {
            throw new Rejected(Fault.of(field, "cut.noHolding"));
        }
    }

    /** Puts the spools in this order; those that are not named follow as they were. */
    @Transactional
    public void order(long listId, List<Long> spools) {
        CutList list = open(listId);
        List<CutSpool> sorted = new ArrayList<>(list.spools());
        sorted.sort(Comparator.comparingInt(s -> {
            int at = spools.indexOf(s.id());
            return at < 0 ? spools.size() : at;
        }));
        number(sorted);
    }

    private static void number(List<CutSpool> sorted) {
        int n = 1;
        for (CutSpool spool : sorted) {
            spool.number(n++);
        }
    }

    /** Decides what becomes of a leftover. */
    @Transactional
    public void keep(long listId, long step, boolean keep) {
        CutList list = open(listId);
        list.spools().stream()
                .flatMap(s -> s.toDo().stream())
                .filter(s -> s.id() == step && s.kind() != StepKind.STRAND)
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"))
                .keep(keep);
    }

    /** Lays a better plan in the place of one that nobody has touched since. */
    @Transactional
    public boolean better(Planned than, CutPlan plan) {
        CutList list = entities.find(CutList.class, than.list(), LockModeType.PESSIMISTIC_WRITE);
        if (list == null || list.confirmed() || list.revision() != than.revision()) {
            return false;
        }
        BigDecimal cost = list.cost();
        // Whoever cuts less pays less: a plan that lets more wait is no better one.
        boolean better = plan.waiting().size() <= than.waiting()
                && plan.quality()
                        .filter(q -> cost == null || q.cost().compareTo(cost) <= 0)
                        .isPresent();
        if (better) {
            forgetProspects(list);
            lay(list, plan, than.balances());
            list.touched();
        }
        return better;
    }

    /** Two lists planned at once would both count on the same metres. */
    void lockPlanning() {
        jdbc.sql("select pg_advisory_xact_lock(hashtext('cut-plan'))").query().listOfRows();
    }

    private List<Long> uncut(Collection<Long> chosen) {
        return new TreeSet<>(chosen)
                .stream().flatMap(b -> pieces.uncut(b).stream()).toList();
    }

    /** Proposals for these batches of which nothing is cut make way; the others must be finished first. */
    private void withdraw(Set<Long> chosen) {
        List<Long> earlier =
                jdbc.sql("""
                        select distinct c.id from cut_list c join cut_list_batch b on b.cut_list_id = c.id
                        where b.batch_id in (:batches) and c.confirmed_at is null order by c.id
                        """).param("batches", chosen).query(Long.class).list();
        for (long id : earlier) {
            CutList list = open(id);
            if (list.spools().stream().anyMatch(s -> s.lastDone().isPresent())) {
                throw new Conflict("cut.begun");
            }
            entities.remove(list);
        }
        entities.flush();
    }

    static int cutsDone(CutList list) {
        return (int) list.spools().stream()
                .flatMap(s -> s.steps().stream())
                .filter(s -> s.done() && s.kind() == StepKind.STRAND)
                .count();
    }

    private Planned plan(CutList list) {
        list.spools().forEach(CutSpool::unplan);
        forgetProspects(list);
        entities.flush();
        Work work = work(list);
        CutPlan plan = QUICK.plan(work.request());
        Set<Long> stuck = plan.waiting().stream().map(CutPlan.Waiting::piece).collect(Collectors.toSet());
        stuck.retainAll(work.begunPieces());
        if (!stuck.isEmpty()) {
            // Their lots have not enough left: they are cut anew, and what is cut of them serves whoever can use it.
            giveUp(list, stuck);
            pieces.cutting(stuck);
            costs.forget(stuck);
            costs.workOut(list);
            work = work(list);
            plan = QUICK.plan(work.request());
        }
        lay(list, plan, work.balances());
        int opened =
                (int) plan.spools().stream().filter(p -> p.holding().sealed()).count();
        int longer = opened == 0
                ? 0
                : waitingUnopened(work.request()) - plan.waiting().size();
        list.opens(opened, Math.max(0, longer));
        list.touched();
        entities.flush();
        return new Planned(
                list.id(),
                list.revision(),
                work.request(),
                work.balances(),
                plan.waiting().size(),
                plan.quality().map(CutPlan.Quality::gap));
    }

    /** What waits and what tails serve is planned anew, but for tails of strands that are cut. */
    private void forgetProspects(CutList list) {
        jdbc.sql("delete from cut_waiting where cut_list_id = ?")
                .param(list.id())
                .update();
        jdbc.sql("""
                        delete from cut_trimming t where cut_list_id = ? and not exists (
                            select 1 from cut_step d where d.strand_id = t.source_id and d.done_at is not null)
                        """).param(list.id()).update();
    }

    /**
     * What a planner is asked, and for whom.
     *
     * @param begunPieces pieces of which something is cut
     */
    private record Work(CutRequest request, Map<Long, Long> balances, Set<Long> begunPieces) {}

    private Work work(CutList list) {
        List<StrandNeed> all = batches.strandsOf(uncut(list.batches()));
        Map<Long, Long> lotOfStrand = cut(list);
        Set<Long> served = trimmings(list);
        List<StrandNeed> strands = all.stream()
                .filter(s -> !lotOfStrand.containsKey(s.id()) && !served.contains(s.id()))
                .toList();
        List<Demand> demands = strands.stream().map(CutLists::demand).toList();
        Map<Demand.OneLot, Long> begun = begunSets(strands);
        Set<Long> begunPieces = new HashSet<>();
        for (StrandNeed strand : all) {
            Long lot = lotOfStrand.get(strand.id());
            if (lot != null) {
                begun.put(demand(strand).oneLot(), lot);
                begunPieces.add(strand.piece());
            }
        }
        Stock.Cuttable there =
                stock.cuttable(strands.stream().map(StrandNeed::article).collect(Collectors.toSet()));
        List<Holding> holdings = there.free().stream()
                .filter(h -> !list.forbidden().contains(h.id()))
                .toList();
        Map<Long, Set<Long>> pins = list.pins().stream()
                .collect(Collectors.groupingBy(Pin::pieceId, Collectors.mapping(Pin::holdingId, Collectors.toSet())));
        CutRequest request = new CutRequest(demands, holdings, begun, pins, weights.aims(there.prices()));
        return new Work(request, there.balances(), begunPieces);
    }

    private static Demand demand(StrandNeed s) {
        return new Demand(s.id(), s.piece(), s.set(), s.article(), new Length(s.cutUm()), s.tails());
    }

    /** The strands of the list that are cut, and of which lot each is. */
    private Map<Long, Long> cut(CutList list) {
        Map<Long, Long> lots = new HashMap<>();
        jdbc.sql("""
                        select t.strand_id, h.lot_id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                            join holding h on h.id = s.holding_id
                        where s.cut_list_id = ? and t.done_at is not null and t.strand_id is not null
                        """).param(list.id()).query(row -> {
            lots.put(row.getLong(1), row.getLong(2));
        });
        return lots;
    }

    /** Strands that a tail serves. */
    Set<Long> trimmings(CutList list) {
        return Set.copyOf(jdbc.sql("select strand_id from cut_trimming where cut_list_id = ?")
                .param(list.id())
                .query(Long.class)
                .list());
    }

    /** The lots that matching sets were begun with, in these batches or earlier ones. */
    private Map<Demand.OneLot, Long> begunSets(List<StrandNeed> strands) {
        Set<Long> sets = strands.stream().flatMap(s -> s.set().stream()).collect(Collectors.toSet());
        Map<Demand.OneLot, Long> begun = new HashMap<>();
        if (!sets.isEmpty()) {
            jdbc.sql("""
                            select distinct l.order_id, lot.article_id, lot.id as lot
                            from order_line l join piece p on p.line_id = l.id join strand n on n.piece_id = p.id
                                 join cut_step t on t.strand_id = n.id and t.done_at is not null
                                 join cut_spool s on s.id = t.cut_spool_id
                                 join holding h on h.id = s.holding_id join lot on lot.id = h.lot_id
                            where l.matching and l.order_id in (:sets)
                            """).param("sets", sets).query(row -> {
                begun.put(
                        new Demand.OneLot(true, row.getLong("order_id"), row.getLong("article_id")),
                        row.getLong("lot"));
            });
        }
        return begun;
    }

    /** How many pieces would wait if nothing that is sealed were opened. */
    private static int waitingUnopened(CutRequest request) {
        List<Holding> open =
                request.holdings().stream().filter(h -> !h.sealed()).toList();
        return QUICK.plan(request.on(open)).waiting().size();
    }

    /** Puts the plan behind what is cut; the spools in an order that saves walking, those in hand first. */
    private void lay(CutList list, CutPlan plan, Map<Long, Long> balances) {
        list.planned(plan.quality(), cutsDone(list));
        Map<Long, CutSpool> known =
                list.spools().stream().collect(Collectors.toMap(CutSpool::holdingId, Function.identity()));
        list.spools().forEach(CutSpool::unplan);
        for (CutPlan.SpoolPlan spool : plan.spools()) {
            long holding = spool.holding().id();
            CutSpool row = known.computeIfAbsent(holding, h -> {
                CutSpool added = new CutSpool(list.spools().size() + 1, h);
                list.spools().add(added);
                return added;
            });
            long free = spool.holding().length().micrometres();
            long all = balances.getOrDefault(holding, 0L);
            // What is left is short only for this list: on the spool it hangs together with what others mean to cut.
            boolean shared = all > free;
            List<CutStep> steps = new ArrayList<>();
            for (CutPlan.Step step : spool.steps()) {
                steps.add(new CutStep(
                        steps.size() + 1,
                        step.kind(),
                        step.length().micrometres(),
                        step.kind() == StepKind.STRAND ? step.strand() : null,
                        step.keep() || shared && step.kind() == StepKind.REST));
            }
            row.planned(free, all, steps);
        }
        list.spools().removeIf(s -> s.steps().isEmpty());
        number(walked(list));
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
    }

    /** Begun spools as they were; then shelf by shelf, the cords of one article together. */
    private List<CutSpool> walked(CutList list) {
        Map<Long, Integer> walk = new HashMap<>();
        if (!list.spools().isEmpty()) {
            jdbc.sql("""
                            select h.id from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                            where h.id in (:holdings) order by h.shelf, a.code, h.label
                            """)
                    .param(
                            "holdings",
                            list.spools().stream().map(CutSpool::holdingId).toList())
                    .query(Long.class)
                    .list()
                    .forEach(h -> walk.put(h, walk.size()));
        }
        List<CutSpool> sorted = new ArrayList<>(list.spools());
        sorted.sort(Comparator.comparing((CutSpool s) -> s.lastDone().isEmpty())
                .thenComparing(s -> s.lastDone().isEmpty() ? walk.getOrDefault(s.holdingId(), 0) : s.number()));
        return sorted;
    }

    /** What is cut for these pieces goes back on the shelf; the list cuts for them no more. */
    void giveUp(CutList list, Set<Long> given) {
        Set<Long> strands =
                batches.strandsOf(given).stream().map(StrandNeed::id).collect(Collectors.toSet());
        List<CutStep> cut = list.spools().stream()
                .flatMap(s -> s.steps().stream())
                .filter(s -> s.done() && s.strandId() != null && strands.contains(s.strandId()))
                .toList();
        stock.giveBack(cut.stream().map(CutStep::id).toList());
        cut.forEach(CutStep::giveUp);
        given.forEach(stock::takeBackPicked);
        entities.flush();
    }

    /** The list, held until the transaction ends, so that what is done to it is done one after the other. */
    CutList open(long id) {
        CutList list = held(id);
        if (list.confirmed()) {
            throw new Conflict("cut.confirmed");
        }
        list.touched();
        return list;
    }

    CutList held(long id) {
        CutList list = entities.find(CutList.class, id, LockModeType.PESSIMISTIC_WRITE);
        if (list == null) {
            throw new NotFound("cut.replaced");
        }
        return list;
    }
}
