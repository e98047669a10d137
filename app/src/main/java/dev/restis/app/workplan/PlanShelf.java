package dev.restis.app.workplan;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.workplan.PlanOrderRow.Ready;
import dev.restis.app.workplan.Snapshot.Maker;
import dev.restis.app.workplan.Snapshot.PlannedOrder;
import dev.restis.app.workplan.WorkPlanRow.PlanAct;
import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.WorkPlan.Placed;
import dev.restis.core.batch.draft.Board;
import dev.restis.core.batch.draft.Board.State;
import dev.restis.core.batch.draft.Stood;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps plans: whoever lays one down holds the book, and says on which plan theirs rests. */
@Service
class PlanShelf {

    /** So many plans can be gone back to. */
    private static final int KEPT = 60;
    /** Of so many days it is kept how long makers were there. */
    private static final int DAYS = 60;

    private static final double EVEN = 0.5;
    private static final double SURE = 0.9;

    /** A plan that is to be kept, and how it came about. */
    record Laid(Evaluated plan, PlanAct act, List<Happening> about, String who) {}

    private final EntityManager entities;
    private final JsonMapper json;
    private final Clock clock;

    PlanShelf(EntityManager entities, JsonMapper json, Clock clock) {
        this.entities = entities;
        this.json = json;
        this.clock = clock;
    }

    private PlanBook book(LockModeType lock) {
        return Objects.requireNonNull(entities.find(PlanBook.class, PlanBook.ONLY, lock));
    }

    /** Holds the book until the transaction ends: of two who begin something, the second sees what the first did. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold() {
        entities.refresh(book(LockModeType.PESSIMISTIC_WRITE));
    }

    /** The plan that is worked on. */
    @Transactional(readOnly = true)
    public Optional<WorkPlanRow> head() {
        return plan(book(LockModeType.NONE).head());
    }

    /** The plan that people have seen. */
    @Transactional(readOnly = true)
    public Optional<WorkPlanRow> published() {
        return plan(book(LockModeType.NONE).published());
    }

    private Optional<WorkPlanRow> plan(@Nullable Long id) {
        return Optional.ofNullable(id).map(plan -> entities.find(WorkPlanRow.class, plan));
    }

    /** By maker, and in the order in which they are tied. */
    @Transactional(readOnly = true)
    public List<PlanParcelRow> parcels(long plan) {
        return entities.createQuery(
                        "select r from PlanParcelRow r where r.planId = :plan order by r.personId, r.place",
                        PlanParcelRow.class)
                .setParameter("plan", plan)
                .getResultList();
    }

    @Transactional(readOnly = true)
    public List<PlanOrderRow> orders(long plan) {
        return entities.createQuery(
                        "select r from PlanOrderRow r where r.planId = :plan order by r.orderId", PlanOrderRow.class)
                .setParameter("plan", plan)
                .getResultList();
    }

    @Transactional(readOnly = true)
    public Map<Long, List<Integer>> seconds(long plan) {
        Map<Long, List<Integer>> seconds = new HashMap<>();
        entities.createQuery("select r from PlanMakerRow r where r.planId = :plan", PlanMakerRow.class)
                .setParameter("plan", plan)
                .getResultStream()
                .forEach(r -> seconds.put(r.person(), r.seconds()));
        return seconds;
    }

    /** Where pieces stand in a plan, as a draft takes it up. */
    @Transactional(readOnly = true)
    public List<Stood> stood(long plan, Snapshot snapshot) {
        Map<Long, Integer> places = snapshot.places();
        return parcels(plan).stream()
                .map(row -> new Stood(
                        places.getOrDefault(row.person(), -1),
                        row.state() == State.PINNED ? OptionalInt.of(snapshot.day(row.fromDay())) : OptionalInt.empty(),
                        row.apart(),
                        row.pieces()))
                .toList();
    }

    /**
     * Keeps a plan as the one that is worked on, and publishes it where the house wants that.
     *
     * @param seen the plan that it rests on
     * @param growing whether a better one is still looked for
     * @throws Conflict when another plan was laid down meanwhile
     */
    @Transactional
    public long lay(Laid laid, @Nullable Long seen, boolean growing) {
        PlanBook book = book(LockModeType.PESSIMISTIC_WRITE);
        entities.refresh(book);
        mustBe(book, seen);
        WorkPlanRow row = new WorkPlanRow(
                laid.act(), json.writeValueAsString(laid.about()), clock.instant(), laid.who(), book.head());
        row.growing(growing, false);
        worth(row, laid.plan());
        entities.persist(row);
        rows(row.id(), laid.plan());
        book.head(row.id());
        if (!growing) {
            settle(book, row, laid);
        }
        return row.id();
    }

    /** A better one takes the place of what it grew from. */
    @Transactional
    public void relay(long plan, Laid laid, boolean growing, boolean cutOff) {
        PlanBook book = book(LockModeType.PESSIMISTIC_WRITE);
        entities.refresh(book);
        mustBe(book, plan);
        WorkPlanRow row = Objects.requireNonNull(entities.find(WorkPlanRow.class, plan));
        for (String of : List.of("PlanParcelRow", "PlanOrderRow", "PlanMakerRow")) {
            entities.createQuery("delete from " + of + " r where r.planId = :plan")
                    .setParameter("plan", plan)
                    .executeUpdate();
        }
        row.growing(growing, cutOff);
        worth(row, laid.plan());
        rows(plan, laid.plan());
        if (!growing) {
            settle(book, row, laid);
        }
    }

    private void settle(PlanBook book, WorkPlanRow row, Laid laid) {
        if (laid.plan().snapshot().publishes()) {
            publish(book, row, laid.who());
        }
        forget(book);
    }

    private void mustBe(PlanBook book, @Nullable Long seen) {
        if (!Objects.equals(book.head(), seen)) {
            throw new Conflict(
                    "plan.changed", plan(book.head()).map(WorkPlanRow::madeBy).orElse(""));
        }
    }

    private static void worth(WorkPlanRow row, Evaluated plan) {
        row.worth(
                plan.snapshot().today(),
                plan.plan().aims(),
                plan.plan().makers().stream()
                        .flatMap(List::stream)
                        .mapToLong(Placed::setUp)
                        .sum(),
                plan.leastSetUps(),
                plan.leastLate().isPresent() ? plan.leastLate().getAsLong() : null);
    }

    private void rows(long id, Evaluated evaluated) {
        Snapshot snapshot = evaluated.snapshot();
        List<Board.Row> rows = Board.of(evaluated.draft(), evaluated.planned(), evaluated.plan());
        Map<Integer, Integer> places = new HashMap<>();
        Set<Integer> planned = new HashSet<>();
        Map<Integer, Integer> releases = new HashMap<>();
        for (Board.Row row : rows) {
            int place = places.merge(row.maker(), 1, Integer::sum) - 1;
            Maker maker = snapshot.makers().get(row.maker());
            long order = snapshot.orders().get(row.order()).id();
            entities.persist(new PlanParcelRow(id, maker.person(), place, order, snapshot.today(), row));
            planned.add(row.order());
            releases.merge(row.order(), row.release(), Math::max);
        }
        int[] made = made(evaluated);
        for (int o = 0; o < snapshot.orders().size(); o++) {
            PlannedOrder order = snapshot.orders().get(o);
            if (planned.contains(o)) {
                int release = releases.getOrDefault(o, 0);
                entities.persist(new PlanOrderRow(
                        id,
                        order.id(),
                        ready(evaluated, o, made[o]),
                        release == 0 ? null : snapshot.today().plusDays(release),
                        order.wanted()));
            } else if (snapshot.leftOut().containsKey(order.id())) {
                entities.persist(new PlanOrderRow(
                        id,
                        order.id(),
                        Objects.requireNonNull(snapshot.leftOut().get(order.id())),
                        order.wanted()));
            }
        }
        for (int m = 0; m < snapshot.makers().size(); m++) {
            List<Integer> seconds = snapshot.inputs().makers().get(m).seconds();
            entities.persist(new PlanMakerRow(
                    id, snapshot.makers().get(m).person(), seconds.subList(0, Math.min(DAYS, seconds.size()))));
        }
        entities.flush();
    }

    private static int[] made(Evaluated evaluated) {
        int[] made = new int[evaluated.snapshot().orders().size()];
        Arrays.fill(made, -1);
        for (List<Placed> line : evaluated.plan().makers()) {
            for (Placed placed : line) {
                int o = evaluated
                        .planned()
                        .work()
                        .parcels()
                        .get(placed.parcel())
                        .order();
                made[o] = Math.max(made[o], placed.until());
            }
        }
        return made;
    }

    private static Ready ready(Evaluated evaluated, int order, int placed) {
        LocalDate today = evaluated.snapshot().today();
        DueOrder due = evaluated.planned().work().orders().get(order);
        return new Ready(
                today.plusDays(due.made(placed) + due.delay()),
                today.plusDays(evaluated.chances().day(order, EVEN)),
                today.plusDays(evaluated.chances().day(order, SURE)),
                evaluated.chances().late(order, due),
                due.late(placed));
    }

    /**
     * People see the plan that is worked on.
     *
     * @throws Conflict when that is another than whoever publishes has seen
     */
    @Transactional
    public void publish(long seen, String who) {
        PlanBook book = book(LockModeType.PESSIMISTIC_WRITE);
        entities.refresh(book);
        mustBe(book, seen);
        WorkPlanRow row = plan(seen).orElseThrow(() -> new NotFound("notFound"));
        publish(book, row, who);
    }

    private void publish(PlanBook book, WorkPlanRow row, String who) {
        row.publish(clock.instant(), who);
        book.published(row.id());
    }

    /** Goes back to the plan before; the one that is left stays to be seen, if people have seen it. */
    @Transactional
    public long back(long seen) {
        PlanBook book = book(LockModeType.PESSIMISTIC_WRITE);
        entities.refresh(book);
        mustBe(book, seen);
        Long before = plan(seen).map(WorkPlanRow::before).orElse(null);
        if (before == null) {
            throw new Conflict("plan.nothingBefore");
        }
        book.head(before);
        return before;
    }

    private void forget(PlanBook book) {
        long oldest = Objects.requireNonNullElse(book.head(), 0L) - KEPT;
        long published = Objects.requireNonNullElse(book.published(), 0L);
        entities.createQuery(
                        "update WorkPlanRow w set w.beforeId = null where w.beforeId < :oldest and w.beforeId <> :published")
                .setParameter("oldest", oldest)
                .setParameter("published", published)
                .executeUpdate();
        entities.createQuery("delete from WorkPlanRow w where w.id < :oldest and w.id <> :published")
                .setParameter("oldest", oldest)
                .setParameter("published", published)
                .executeUpdate();
    }
}
