package dev.restis.app.workplan;

import dev.restis.app.learning.LearnedShelf;
import dev.restis.app.measures.OwnStitches;
import dev.restis.app.orders.PlannedDays;
import dev.restis.app.stock.Article;
import dev.restis.app.workplan.BenchFacts.Facts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.batch.Bench;
import dev.restis.core.batch.Chances;
import dev.restis.core.batch.Parcel;
import dev.restis.core.batch.Parcelling;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.Spread;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.draft.PlanDraft;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import dev.restis.core.batch.search.Mending;
import dev.restis.core.batch.search.Quote;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.stitch.Family;
import dev.restis.core.work.WorkSteps;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Days that can be promised, from the plan: an order goes where it is ready first and nobody else gets later. */
@Service
class QuoteDesk implements PlannedDays {

    private static final int PLAYS = 1_000;
    private static final double EVEN = 0.5;
    private static final double SURE = 0.9;
    private static final long SEED = 1;
    /** The plan as it was read serves until it is another, or the day went on by as much. */
    private static final Duration FRESH = Duration.ofMinutes(5);
    /** More parcels than that are no order that somebody is typing. */
    private static final int MOST_PARCELS = 200;

    /** The plan as it is quoted from. */
    private record Base(long plan, Instant at, Snapshot snapshot, Planned planned, WorkPlan placed) {}

    private final PlanShelf shelf;
    private final PlanInputs inputs;
    private final PlanSettings settings;
    private final OwnStitches stitches;
    private final LearnedShelf learned;
    private final Workshop workshop;
    private final EntityManager entities;
    private final Clock clock;

    private volatile @Nullable Base known;

    QuoteDesk(
            PlanShelf shelf,
            PlanInputs inputs,
            PlanSettings settings,
            OwnStitches stitches,
            LearnedShelf learned,
            Workshop workshop,
            EntityManager entities,
            Clock clock) {
        this.shelf = shelf;
        this.inputs = inputs;
        this.settings = settings;
        this.stitches = stitches;
        this.learned = learned;
        this.workshop = workshop;
        this.entities = entities;
        this.clock = clock;
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<ReadyDays> ready(long order, List<Piecework> pieces) {
        if (!settings.rules().planning) {
            return Optional.empty();
        }
        Optional<WorkPlanRow> head = shelf.head();
        if (head.isEmpty()) {
            return Optional.empty();
        }
        Optional<ReadyDays> planned =
                order == 0 ? Optional.empty() : planned(head.get().id(), order);
        return planned.isPresent() || pieces.isEmpty() ? planned : quote(base(head.get()), pieces);
    }

    private Optional<ReadyDays> planned(long plan, long order) {
        return entities.createQuery(
                        "select r from PlanOrderRow r where r.planId = :plan and r.orderId = :order",
                        PlanOrderRow.class)
                .setParameter("plan", plan)
                .setParameter("order", order)
                .getResultStream()
                .filter(r -> r.evenDay() != null && r.sureDay() != null)
                .findFirst()
                .map(r -> new ReadyDays(Objects.requireNonNull(r.evenDay()), Objects.requireNonNull(r.sureDay())));
    }

    private Base base(WorkPlanRow head) {
        Base now = known;
        Instant moment = clock.instant();
        if (now == null || now.plan() != head.id() || now.at().plus(FRESH).isBefore(moment)) {
            Snapshot snapshot = inputs.read();
            PlanDraft draft = PlanDraft.of(snapshot.inputs(), shelf.stood(head.id(), snapshot), false);
            Planned planned = draft.work(Map.of());
            now = new Base(head.id(), moment, snapshot, planned, Mending.placed(planned.work(), planned.lines()));
            known = now;
        }
        return now;
    }

    private Optional<ReadyDays> quote(Base base, List<Piecework> pieces) {
        Map<String, Family> own = stitches.families();
        PlanRules rules = settings.rules();
        WorkSteps steps = workshop.steps();
        Map<Long, Long> need = new HashMap<>();
        for (Piecework work : pieces) {
            work.worked()
                    .needed()
                    .forEach((Article article, Long quantity) ->
                            need.merge(article.id(), quantity * work.count(), Long::sum));
        }
        // What lacks cord says so elsewhere: its days are those it would have with it.
        int release = base.snapshot().cord().release(need).orElse(0);
        List<Parcel> parcels = new ArrayList<>();
        List<Double> spreads = new ArrayList<>(
                Evaluated.spread(base.snapshot(), base.planned().parts()).pieces());
        int drying = 0;
        for (Piecework work : pieces) {
            Facts facts = BenchFacts.facts(work.worked());
            Bench bench = facts.bench(
                    own,
                    gauge(work.worked().cords()),
                    work.worked().parts().values().stream().map(Article::id).toList(),
                    work.worked().cords().stream().map(Article::id).toList());
            int seconds = facts.seconds(
                    rules, steps, (int) work.worked().time().total().toSeconds(), false);
            double spread = MakingTime.spread(learned.learned(workshop.onlyMaker()), facts.stitch());
            for (int size : Parcelling.sizes(work.count(), seconds)) {
                parcels.add(new Parcel(-1, 0, bench, size, seconds, release));
                spreads.add(spread);
            }
            drying = Math.max(drying, facts.dryingDays());
        }
        PlanWork work = base.planned().work();
        boolean tied = parcels.stream()
                .allMatch(p -> work.makers().stream().anyMatch(m -> m.seconds(p).isPresent()));
        if (parcels.isEmpty() || parcels.size() > MOST_PARCELS || !tied) {
            return Optional.empty();
        }
        Quote quote = Quote.of(work, base.placed(), parcels, drying);
        Quote whole = new Quote(quote.work().by(base.snapshot().inputs().makers()), quote.plan(), quote.day());
        Chances chances = whole.chances(new Spread(spreads, Spread.FAMILY, Spread.MAKER), PLAYS, SEED);
        int place = quote.work().orders().size() - 1;
        LocalDate today = base.snapshot().today();
        return Optional.of(
                new ReadyDays(today.plusDays(chances.day(place, EVEN)), today.plusDays(chances.day(place, SURE))));
    }

    /** The cord that is tied lies in the last place. */
    private static Length gauge(List<Article> cords) {
        return cords.get(cords.size() - 1).diameterOf();
    }

    @Override
    @Transactional(readOnly = true)
    public Map<Long, Outlook> outlooks(Collection<Long> orders) {
        if (orders.isEmpty()) {
            return Map.of();
        }
        return entities.createQuery(
                        "select r from PlanRules p, PlanBook b join PlanOrderRow r on r.planId = b.head "
                                + "where p.planning and r.orderId in :orders and r.leftOut is null",
                        PlanOrderRow.class)
                .setParameter("orders", orders)
                .getResultStream()
                .collect(Collectors.toMap(PlanOrderRow::order, r -> new Outlook(r.lateChance(), r.lateDays())));
    }
}
