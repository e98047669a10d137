package dev.restis.app.workplan;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Keyset;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Articles;
import dev.restis.app.workplan.BoardReads.BoardCordView;
import dev.restis.app.workplan.PlanOrderRow.LeftOut;
import dev.restis.core.batch.SetUp;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which orders a plan brings into danger, and what is otherwise in it than in the one that people have seen. */
@Service
class PlanChanges {

    private static final int PAGE = 40;
    private static final int MOST = 40;
    /** From so likely on an order is named that may be late. */
    static final double ENDANGERED = 0.1;

    private static final String CHANCE = "[01](\\.\\d{1,20})?(E-\\d{1,3})?";
    private static final String NUMBER = "\\d{1,18}";

    /**
     * An order that is late, may be late, or of which nothing is planned.
     *
     * @param leftOut why nothing is planned
     * @param ready as planned
     * @param even in one of two cases
     * @param sure in nine of ten
     * @param lateChance how likely it is late, 0 to 1
     * @param lateDays as planned
     */
    record TroubledOrderView(
            long order,
            String reference,
            String customer,
            @Nullable LocalDate due,
            boolean must,
            @Nullable LeftOut leftOut,
            @Nullable LocalDate ready,
            @Nullable LocalDate even,
            @Nullable LocalDate sure,
            double lateChance,
            int lateDays) {}

    /** @param before the day on which it was ready in the plan that people have seen; after, in the one that is worked on */
    record MovedOrderView(long order, String reference, String customer, LocalDate before, LocalDate after) {}

    /**
     * What is otherwise.
     *
     * @param first whether people have seen no plan yet
     * @param pieces that stand with another maker, or on another day
     * @param later orders that are ready later, by how much
     */
    record PlanDiffView(
            boolean first,
            int pieces,
            int otherMaker,
            List<MovedOrderView> later,
            int moreLater,
            List<MovedOrderView> sooner,
            int moreSooner) {}

    private final PlanShelf shelf;
    private final PieceDesk desk;
    private final Articles articles;
    private final EntityManager entities;

    PlanChanges(PlanShelf shelf, PieceDesk desk, Articles articles, EntityManager entities) {
        this.desk = desk;
        this.articles = articles;
        this.shelf = shelf;
        this.entities = entities;
    }

    /** What no plan holds first, then what is likeliest late. */
    @Transactional(readOnly = true)
    public Keyset<TroubledOrderView> troubled(@Nullable String after) {
        Optional<WorkPlanRow> head = shelf.head();
        if (head.isEmpty()) {
            return new Keyset<>(List.of(), null);
        }
        Optional<List<String>> from = Keyset.read(after, "[01]", CHANCE, NUMBER);
        String rest = from.isEmpty() ? "" : """
                  and (case when r.leftOut is null then 0 else 1 end < :out
                       or case when r.leftOut is null then 0 else 1 end = :out and (r.lateChance < :chance
                           or r.lateChance = :chance and r.orderId > :order))
                  """;
        var query = entities.createQuery(
                        """
                        select o.id as order, o.reference as reference, o.customer as customer, o.due as due, o.must as must,
                               r as row
                        from PlanOrderRow r join CustomerOrder o on o.id = r.orderId
                        where r.planId = :plan and (r.leftOut is not null or r.lateChance >= :endangered)
                        """ + rest
                                + " order by case when r.leftOut is null then 0 else 1 end desc, r.lateChance desc, r.orderId",
                        Tuple.class)
                .setParameter("plan", head.get().id())
                .setParameter("endangered", ENDANGERED)
                .setMaxResults(PAGE + 1);
        from.ifPresent(place -> query.setParameter("out", Integer.valueOf(place.get(0)))
                .setParameter("chance", Double.valueOf(place.get(1)))
                .setParameter("order", Long.valueOf(place.get(2))));
        List<TroubledOrderView> rows = query.getResultStream()
                .map(t -> {
                    PlanOrderRow row = t.get("row", PlanOrderRow.class);
                    return new TroubledOrderView(
                            t.get("order", Long.class),
                            t.get("reference", String.class),
                            t.get("customer", String.class),
                            t.get("due", LocalDate.class),
                            t.get("must", Boolean.class),
                            row.leftOut(),
                            row.readyDay(),
                            row.evenDay(),
                            row.sureDay(),
                            row.lateChance(),
                            row.lateDays());
                })
                .toList();
        return Keyset.of(rows, PAGE, r -> List.of(r.leftOut() == null ? 0 : 1, r.lateChance(), r.order()));
    }

    /**
     * Open pieces of one set-up that stand in no plan.
     *
     * @param orders how many they are of
     */
    record UnplannedView(
            String setUp,
            String patternName,
            List<BoardCordView> cords,
            int pieces,
            int orders,
            @Nullable LocalDate firstDue) {}

    /** What is wanted first at the top; those that follow come up when these are planned. */
    @Transactional(readOnly = true)
    public List<UnplannedView> unplanned() {
        List<?> rows = entities.createNativeQuery("""
                        select l.set_up, sum(l.open) as pieces, count(distinct l.order_id) as orders, min(o.due) as due
                        from order_line l join customer_order o on o.id = l.order_id
                        where l.open > 0 and not exists (
                            select 1 from plan_book b join plan_parcel r on r.plan_id = b.head where r.line_id = l.id)
                        group by l.set_up order by min(o.due) nulls last, l.set_up limit :most
                        """, Tuple.class)
                .setParameter("most", MOST)
                .getResultList();
        PieceDesk.Sitting sitting = desk.sit();
        List<UnplannedView> views = new ArrayList<>();
        for (Object row : rows) {
            Tuple of = (Tuple) row;
            String setUp = of.get("set_up", String.class);
            Map<Long, Article> cords = articles.some(SetUp.cordsOf(setUp)).stream()
                    .collect(Collectors.toMap(Article::id, Function.identity()));
            views.add(new UnplannedView(
                    setUp,
                    sitting.patternName(SetUp.patternOf(setUp)),
                    SetUp.cordsOf(setUp).stream()
                            .distinct()
                            .map(cords::get)
                            .filter(Objects::nonNull)
                            .map(a -> new BoardCordView(a.code(), a.name(), a.colour()))
                            .toList(),
                    of.get("pieces", Number.class).intValue(),
                    of.get("orders", Number.class).intValue(),
                    of.get("due", LocalDate.class)));
        }
        return views;
    }

    private record Where(long person, LocalDate day) {}

    /** Of the plan that is worked on against the one that people have seen; nothing is otherwise when there is none. */
    @Transactional(readOnly = true)
    public PlanDiffView diff() {
        Optional<WorkPlanRow> head = shelf.head();
        Optional<WorkPlanRow> seen = shelf.published();
        if (head.isEmpty() || seen.isEmpty() || head.get().id() == seen.get().id()) {
            return new PlanDiffView(seen.isEmpty(), 0, 0, List.of(), 0, List.of(), 0);
        }
        Map<Long, Where> before = where(seen.get().id());
        int pieces = 0;
        int otherMaker = 0;
        for (Map.Entry<Long, Where> now : where(head.get().id()).entrySet()) {
            Where was = before.get(now.getKey());
            if (was != null && !was.equals(now.getValue())) {
                pieces++;
                otherMaker += was.person() == now.getValue().person() ? 0 : 1;
            }
        }
        List<MovedOrderView> moved = moved(seen.get().id(), head.get().id());
        List<MovedOrderView> later =
                moved.stream().filter(m -> m.after().isAfter(m.before())).toList();
        List<MovedOrderView> sooner =
                moved.stream().filter(m -> m.after().isBefore(m.before())).toList();
        return new PlanDiffView(
                false,
                pieces,
                otherMaker,
                later.stream().limit(MOST).toList(),
                Math.max(0, later.size() - MOST),
                sooner.stream().limit(MOST).toList(),
                Math.max(0, sooner.size() - MOST));
    }

    private Map<Long, Where> where(long plan) {
        Map<Long, Where> where = new HashMap<>();
        shelf.parcels(plan)
                .forEach(row -> row.pieces().forEach(p -> where.put(p, new Where(row.person(), row.untilDay()))));
        return where;
    }

    private List<MovedOrderView> moved(long before, long after) {
        Map<Long, PlanOrderRow> were =
                shelf.orders(before).stream().collect(Collectors.toMap(PlanOrderRow::order, Function.identity()));
        Map<Long, PlanOrderRow> moved = new HashMap<>();
        for (PlanOrderRow now : shelf.orders(after)) {
            PlanOrderRow was = were.get(now.order());
            if (was != null
                    && was.readyDay() != null
                    && now.readyDay() != null
                    && !now.readyDay().equals(was.readyDay())) {
                moved.put(now.order(), now);
            }
        }
        if (moved.isEmpty()) {
            return List.of();
        }
        List<MovedOrderView> views = new ArrayList<>();
        entities.createQuery(
                        "select o.id as id, o.reference as reference, o.customer as customer from CustomerOrder o where o.id in :orders",
                        Tuple.class)
                .setParameter("orders", moved.keySet())
                .getResultStream()
                .forEach(t -> {
                    long id = t.get("id", Long.class);
                    views.add(new MovedOrderView(
                            id,
                            t.get("reference", String.class),
                            t.get("customer", String.class),
                            Objects.requireNonNull(
                                    Objects.requireNonNull(were.get(id)).readyDay()),
                            Objects.requireNonNull(
                                    Objects.requireNonNull(moved.get(id)).readyDay())));
                });
        views.sort(Comparator.comparing(MovedOrderView::before).thenComparing(MovedOrderView::order));
        return views;
    }
}
