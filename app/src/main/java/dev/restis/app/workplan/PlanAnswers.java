package dev.restis.app.workplan;

import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workplan.PlanActs.InHand;
import dev.restis.core.batch.Aims;
import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.draft.Part;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import dev.restis.core.batch.search.Reason;
import dev.restis.core.batch.search.Rescue;
import dev.restis.core.measure.Fault;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Why something stands where it stands, and what would bring a late order in time. */
@Service
class PlanAnswers {

    private static final int MOST_NAMED = 20;

    /**
     * The best of all other places.
     *
     * @param before the parcel before which it would stand; nothing for the end of the line
     * @param lateDays more than there are
     * @param lateOrders more than there are
     * @param effortSeconds more than there are: setting up, waiting, batches
     */
    record ElsewhereView(
            long person, String name, @Nullable Long before, long lateDays, int lateOrders, long effortSeconds) {}

    /**
     * Why a batch stands where it stands.
     *
     * @param setUpSeconds that it pays there
     * @param fromNothingSeconds that it would pay on an empty bench
     * @param daysInHand until the first of its orders is late; below 0 when one is, nothing when none is wanted by any day
     * @param elsewhere nothing when there is no other place
     */
    record BlockReasonView(
            long setUpSeconds,
            long fromNothingSeconds,
            @Nullable Integer daysInHand,
            @Nullable ElsewhereView elsewhere) {}

    /** @param minutes that this maker would have to stay longer on that day */
    record OvertimeView(long person, String name, LocalDate day, int minutes) {}

    /** @param later orders that are late by it, or later than they are */
    record GoesFirstView(List<String> later, int more) {}

    /**
     * What would bring an order in time.
     *
     * @param noMinutesHelp whether its cord comes, or its glue dries, too late for any hurry
     * @param overtime what each maker who holds it up would have to stay longer; empty where that is not enough
     */
    record OrderRescueView(
            long plan,
            int lateDays,
            boolean noMinutesHelp,
            List<OvertimeView> overtime,
            @Nullable GoesFirstView goesFirst) {}

    private final PlanActs acts;
    private final PlanShelf shelf;

    PlanAnswers(PlanActs acts, PlanShelf shelf) {
        this.acts = acts;
        this.shelf = shelf;
    }

    /** @param parcels that stand one behind the other in one maker's line */
    @Transactional(readOnly = true)
    public BlockReasonView reason(long seen, List<Long> parcels) {
        InHand hand = acts.take(seen);
        List<Part> parts = hand.parts(hand.draft, parcels);
        Planned planned = hand.planned();
        WorkPlan plan = hand.placed(planned);
        List<List<Integer>> lines = plan.sequences();
        int first = planned.parts().indexOf(parts.get(0));
        for (int m = 0; m < lines.size(); m++) {
            int from = lines.get(m).indexOf(first);
            if (from >= 0) {
                return reason(hand, planned, plan, m, from, count(planned, lines.get(m), from, parts));
            }
        }
        throw new Rejected(Fault.of("parcels", "plan.pinnedHere"));
    }

    private static int count(Planned planned, List<Integer> line, int from, List<Part> parts) {
        int count = 1;
        while (count < parts.size()
                && from + count < line.size()
                && parts.contains(planned.parts().get(line.get(from + count)))) {
            count++;
        }
        return count;
    }

    private static BlockReasonView reason(InHand hand, Planned planned, WorkPlan plan, int maker, int from, int count) {
        Reason reason = Reason.of(planned.work(), plan, maker, from, count);
        Aims now = plan.aims();
        return new BlockReasonView(
                reason.setUp(),
                reason.fromNothing(),
                reason.daysInHand() > DueOrder.NEVER / 2 ? null : reason.daysInHand(),
                reason.elsewhere()
                        .map(to -> {
                            List<Integer> line =
                                    new ArrayList<>(plan.sequences().get(to.maker()));
                            if (to.maker() == maker) {
                                line.subList(from, from + count).clear();
                            }
                            Long before = to.at() < line.size()
                                    ? hand.parcelOf(planned.parts().get(line.get(to.at())))
                                    : null;
                            return new ElsewhereView(
                                    hand.snapshot.makers().get(to.maker()).person(),
                                    hand.snapshot.makers().get(to.maker()).name(),
                                    before,
                                    to.aims().lateDays() - now.lateDays(),
                                    to.aims().lateOrders() - now.lateOrders(),
                                    to.aims().effort() - now.effort());
                        })
                        .orElse(null));
    }

    /** A day of which some is kept free must be longer by more than what is planned on it. */
    private static int minutes(double seconds) {
        return (int) Math.ceil(seconds / 60);
    }

    @Transactional(readOnly = true)
    public OrderRescueView rescue(long order) {
        WorkPlanRow head = shelf.head().orElseThrow(() -> new NotFound("notFound"));
        InHand hand = acts.take(head.id());
        int place = -1;
        for (int o = 0; o < hand.snapshot.orders().size(); o++) {
            place = hand.snapshot.orders().get(o).id() == order ? o : place;
        }
        if (place < 0) {
            throw new NotFound("notFound");
        }
        Planned planned = hand.planned();
        WorkPlan plan = hand.placed(planned);
        Rescue rescue = Rescue.of(planned.work(), plan, place);
        return new OrderRescueView(
                head.id(),
                Rescue.late(planned.work(), plan, place),
                rescue.noMinutesHelp(),
                rescue.overtime().stream()
                        .map(o -> new OvertimeView(
                                hand.snapshot.makers().get(o.maker()).person(),
                                hand.snapshot.makers().get(o.maker()).name(),
                                hand.snapshot.today().plusDays(o.day()),
                                minutes(o.seconds()
                                        / (1 - hand.snapshot.inputs().keepFree()))))
                        .toList(),
                rescue.goesFirst()
                        .map(first -> new GoesFirstView(
                                first.later().stream()
                                        .limit(MOST_NAMED)
                                        .map(o -> hand.snapshot.orders().get(o).reference())
                                        .toList(),
                                Math.max(0, first.later().size() - MOST_NAMED)))
                        .orElse(null));
    }
}
