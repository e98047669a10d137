package dev.restis.app.cut;

import dev.restis.app.cut.CutList.Pin;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.PieceNeeds.StrandNeed;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.stock.Stock;
import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.Holding;
import dev.restis.core.measure.Length;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Clock;
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

/**
 * What a plan is made from, and the laying down of what was planned. Planning itself takes its time and holds nothing: it works
 * on a snapshot, and its plan is laid down only if all that it rests on is as it was.
 */
@Service
class CutPlans {

    /**
     * What a planner is asked, and what must still be so when its plan is laid down.
     *
     * @param list the list that is planned anew; nothing for one that is to be
     * @param revision of that list
     * @param uncut pieces of the batches that are not cut
     * @param replaced lists whose plans make way
     * @param balances all that each holding has
     * @param begunPieces pieces of which something is cut
     */
    record Snapshot(
            Optional<Long> list,
            int revision,
            Set<Long> batches,
            List<Long> uncut,
            Set<Long> replaced,
            CutRequest request,
            Map<Long, Long> balances,
            Set<Long> begunPieces) {}

    /**
     * A plan and what it means.
     *
     * @param opened how many sealed holdings it opens
     * @param longer how many more pieces would wait if it opened none
     */
    record Solved(CutPlan plan, int opened, int longer) {}

    private final PieceNeeds needs;
    private final OrderPieces orders;
    private final Pieces pieces;
    private final ListPieces inLists;
    private final Stock stock;
    private final CutLists lists;
    private final CutCosts costs;
    private final CutWeights weights;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final Clock clock;

    CutPlans(
            PieceNeeds needs,
            OrderPieces orders,
            Pieces pieces,
            ListPieces inLists,
            Stock stock,
            CutLists lists,
            CutCosts costs,
            CutWeights weights,
            EntityManager entities,
            JdbcClient jdbc,
            JdbcTemplate bulk,
            Clock clock) {
        this.needs = needs;
        this.orders = orders;
        this.pieces = pieces;
        this.inLists = inLists;
        this.stock = stock;
        this.lists = lists;
        this.costs = costs;
        this.weights = weights;
        this.entities = entities;
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.clock = clock;
    }

    /**
     * What a new list for these batches is planned from.
     *
     * @throws NotFound when nothing of them is left to cut
     * @throws Conflict when a list of theirs is begun
     */
    @Transactional(readOnly = true)
    public Snapshot forNew(Collection<Long> which) {
        Set<Long> chosen = new TreeSet<>(which);
        Set<Long> earlier = openLists(chosen);
        if (lists.begun(earlier)) {
            throw new Conflict("cut.begun");
        }
        List<Long> uncut = uncut(chosen);
        if (uncut.isEmpty()) {
            throw new NotFound("batch.nothingToCut");
        }
        return snapshot(Optional.empty(), 0, chosen, uncut, earlier, Set.of(), Set.of());
    }

    /** What is left of a list to plan. */
    @Transactional(readOnly = true)
    public Snapshot of(long id) {
        CutList list = lists.look(id);
        if (list.confirmed()) {
            throw new Conflict("cut.confirmed");
        }
        return snapshot(
                Optional.of(id),
                list.revision(),
                list.batches(),
                uncut(list.batches()),
                Set.of(id),
                list.forbidden(),
                list.pins());
    }

    private Snapshot snapshot(
            Optional<Long> list,
            int revision,
            Set<Long> chosen,
            List<Long> uncut,
            Set<Long> replaced,
            Set<Long> forbidden,
            Set<Pin> wished) {
        List<StrandNeed> all = needs.strandsOf(uncut);
        Map<Long, Long> lotOfStrand = list.map(this::cut).orElse(Map.of());
        Set<Long> served = list.map(this::served).orElse(Set.of());
        List<StrandNeed> strands = all.stream()
                .filter(s -> !lotOfStrand.containsKey(s.id()) && !served.contains(s.id()))
                .toList();
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
                stock.cuttable(strands.stream().map(StrandNeed::article).collect(Collectors.toSet()), replaced);
        List<Holding> holdings =
                there.free().stream().filter(h -> !forbidden.contains(h.id())).toList();
        Map<Long, Set<Long>> pins = wished.stream()
                .collect(Collectors.groupingBy(Pin::pieceId, Collectors.mapping(Pin::holdingId, Collectors.toSet())));
        CutRequest request = new CutRequest(
                strands.stream().map(CutPlans::demand).toList(), holdings, begun, pins, weights.aims(there.prices()));
        return new Snapshot(list, revision, chosen, uncut, replaced, request, there.balances(), begunPieces);
    }

    private static Demand demand(StrandNeed s) {
        return new Demand(
                s.id(), s.piece(), s.set(), s.article(), new Length(s.cutUm()), s.tails(), s.stage(), s.cutAnyway());
    }

    private Set<Long> openLists(Set<Long> chosen) {
        return new TreeSet<>(
                jdbc.sql("""
                        select distinct c.id from cut_list c join cut_list_batch b on b.cut_list_id = c.id
                        where b.batch_id in (:batches) and c.confirmed_at is null
                        """).param("batches", chosen).query(Long.class).list());
    }

    private List<Long> uncut(Collection<Long> chosen) {
        return new TreeSet<>(chosen)
                .stream().flatMap(b -> pieces.uncut(b).stream()).toList();
    }

    /** The strands of the list that are cut, and of which lot each is. */
    private Map<Long, Long> cut(long list) {
        Map<Long, Long> lots = new HashMap<>();
        jdbc.sql("""
                        select t.strand_id, h.lot_id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                            join holding h on h.id = s.holding_id
                        where s.cut_list_id = ? and t.done_at is not null and t.strand_id is not null
                        """).param(list).query(row -> {
            lots.put(row.getLong(1), row.getLong(2));
        });
        return lots;
    }

    /** Strands that a tail of a strand serves which is cut. */
    private Set<Long> served(long list) {
        return Set.copyOf(jdbc.sql("""
                        select t.strand_id from cut_trimming t join cut_step d on d.strand_id = t.source_id and d.done_at is not null
                        where t.cut_list_id = ?
                        """).param(list).query(Long.class).list());
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

    /** A list whose plan was laid down. */
    record Laid(long list, int revision) {}

    /**
     * Lays a plan down, if all that it rests on is as it was.
     *
     * @return the list; nothing when the plan came too late
     */
    @Transactional
    public Optional<Laid> lay(Snapshot from, Solved solved) {
        orders.holdBatches(from.batches());
        lists.hold(from.replaced());
        if (!standsStill(from, solved.plan())) {
            return Optional.empty();
        }
        CutList list = from.list().map(lists::look).orElseGet(() -> begin(from));
        list.spools().forEach(CutSpool::unplan);
        forgetProspects(list);
        entities.flush();
        lay(list, solved.plan(), from.balances());
        list.opens(solved.opened(), solved.longer());
        list.replanned();
        entities.flush();
        return Optional.of(new Laid(list.id(), list.revision()));
    }

    private CutList begin(Snapshot from) {
        from.replaced().forEach(id -> entities.remove(lists.look(id)));
        entities.flush();
        CutList list = new CutList(from.batches(), clock.instant());
        entities.persist(list);
        entities.flush();
        return list;
    }

    /** Whether nobody did anything meanwhile to what the plan rests on. Holds the holdings that it cuts from. */
    private boolean standsStill(Snapshot from, CutPlan plan) {
        boolean lists = from.list()
                .map(id -> this.lists.look(id))
                .map(list -> !list.confirmed() && list.revision() == from.revision())
                .orElseGet(
                        () -> openLists(from.batches()).equals(from.replaced()) && !this.lists.begun(from.replaced()));
        return lists
                && uncut(from.batches()).equals(from.uncut())
                && stock.lieAsSeen(
                        plan.spools().stream().map(CutPlan.SpoolPlan::holding).toList(), from.replaced());
    }

    /** Lays a better plan in the place of one that nobody has touched since. */
    @Transactional
    public boolean better(Snapshot from, CutPlan plan) {
        orders.holdBatches(from.batches());
        lists.hold(from.replaced());
        CutList list = lists.look(from.list().orElseThrow());
        if (!standsStill(from, plan)) {
            return false;
        }
        BigDecimal cost = list.cost();
        // Whoever cuts less pays less: a plan that lets more wait is no better one.
        boolean better = plan.waiting().size() <= waiting(list.id())
                && plan.quality()
                        .filter(q -> cost == null || q.cost().compareTo(cost) <= 0)
                        .isPresent();
        if (better) {
            forgetProspects(list);
            lay(list, plan, from.balances());
            list.replanned();
        }
        return better;
    }

    private int waiting(long list) {
        return jdbc.sql("select count(*) from cut_waiting where cut_list_id = ?")
                .param(list)
                .query(Integer.class)
                .single();
    }

    /**
     * Pieces are begun whose lots have not enough left: they are cut anew, and what is cut of them serves whoever can use it.
     *
     * @return whether nothing was done to the list since the snapshot
     */
    @Transactional
    public boolean giveUp(Snapshot from, Set<Long> stuck) {
        orders.holdBatches(from.batches());
        CutList list = lists.held(from.list().orElseThrow());
        if (list.confirmed() || list.revision() != from.revision()) {
            return false;
        }
        stock.holdMoved(stuck, List.of());
        lists.giveUp(list, stuck);
        pieces.cutting(stuck, inLists.begun(stuck));
        costs.givenUp(list, stuck);
        list.replanned();
        return true;
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

    /** Puts the plan behind what is cut; the spools in an order that saves walking, those in hand first. */
    private void lay(CutList list, CutPlan plan, Map<Long, Long> balances) {
        list.planned(plan.quality(), CutLists.cutsDone(list));
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
        CutLists.number(walked(list));
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
}
