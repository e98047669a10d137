package dev.restis.app.today;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.today.MorningWork.Pieces;
import dev.restis.app.workplan.WorkPlans;
import dev.restis.app.workplan.WorkPlans.Handling;
import dev.restis.app.workshop.Calendars;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.batch.OpenMinutes;
import dev.restis.core.morning.Doing;
import dev.restis.core.morning.LatestStart;
import dev.restis.core.morning.Matter;
import dev.restis.core.work.Onward;
import dev.restis.core.work.Onward.Alike;
import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceStage;
import dev.restis.core.work.PieceState;
import dev.restis.core.work.WorkSteps;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The morning: what to do, what must begin first at the top, and what is waited for. */
@Service
class TodayReads {

    private static final int MOST_NOW = 30;
    private static final int MOST_WAITING = 15;
    private static final int SECONDS_A_DAY = 86_400;

    /**
     * Something to do with pieces of an order.
     *
     * @param line one of the lines, for its picture
     * @param doing what comes next
     * @param piece the first of the pieces
     * @param some their numbers, not more than are taken in hand at once
     * @param due the day on which they must leave
     * @param startBy the day on which work must begin at the latest; nothing where any day will do
     * @param late whether that day is over
     * @param until when it can go on; nothing where it can now
     * @param missing how many pieces of its order it waits for
     * @param inHand whether it is in the hands of whoever asks
     * @param mine whether it is theirs to do: in their hands, or nobody else's by the plan
     * @param batch to be cut
     * @param cutList the list that its strands are on already
     * @param open whether nobody has put the pieces in a batch
     * @param planned whether the plan that people have seen says who ties them
     */
    record MorningRow(
            long order,
            String reference,
            String customer,
            long line,
            String patternName,
            Doing doing,
            int pieces,
            long piece,
            List<Long> some,
            @Nullable LocalDate due,
            @Nullable LocalDate startBy,
            boolean late,
            @Nullable Instant until,
            int missing,
            boolean inHand,
            boolean mine,
            @Nullable Long batch,
            @Nullable Long cutList,
            boolean open,
            boolean planned) {}

    /**
     * The morning.
     *
     * @param now what can be done now, in the order in which it must begin
     * @param more how much there is beside what is shown
     * @param waits what cannot, in the order in which it can go on
     * @param decide what waits for somebody's word
     */
    record TodayView(List<MorningRow> now, int more, List<MorningRow> waits, List<Decisions.DecisionRow> decide) {}

    private final MorningWork work;
    private final Decisions decisions;
    private final PieceDesk desk;
    private final Workshop workshop;
    private final Calendars calendars;
    private final WorkPlans plans;
    private final Clock clock;

    TodayReads(
            MorningWork work,
            Decisions decisions,
            PieceDesk desk,
            Workshop workshop,
            Calendars calendars,
            WorkPlans plans,
            Clock clock) {
        this.work = work;
        this.decisions = decisions;
        this.desk = desk;
        this.workshop = workshop;
        this.calendars = calendars;
        this.plans = plans;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public TodayView today() {
        List<Pieces> all = work.all();
        List<MorningRow> rows = Matter.inOrder(new Sorting(all).matters()).stream()
                .map(Matter::what)
                .toList();
        List<MorningRow> now = rows.stream().filter(TodayReads::now).toList();
        List<MorningRow> waits = rows.stream().filter(r -> !now(r)).toList();
        return new TodayView(
                now.stream().limit(MOST_NOW).toList(),
                Math.max(0, now.size() - MOST_NOW),
                waits.stream().limit(MOST_WAITING).toList(),
                decisions.all(all.stream().filter(Pieces::heldUp).toList()));
    }

    private static boolean now(MorningRow row) {
        return row.until() == null && row.missing() == 0;
    }

    /** What is to be done with the pieces of one morning. */
    private final class Sorting {
        private final PieceDesk.Sitting sitting = desk.sit();
        private final WorkSteps steps = workshop.steps();
        private final OpenMinutes open = calendars.openMinutes();
        private final Handling handling = plans.handling();
        private final Instant now = clock.instant();
        private final LocalDate today = LocalDate.now(clock);
        private final String me = Workshop.whoever();
        private final Map<Long, List<Pieces>> byOrder;
        private final Map<Long, Set<String>> makers;
        private final List<Matter<MorningRow>> matters = new ArrayList<>();

        Sorting(List<Pieces> all) {
            byOrder = all.stream().collect(Collectors.groupingBy(Pieces::order, TreeMap::new, Collectors.toList()));
            makers = plans.makers(byOrder.keySet());
        }

        List<Matter<MorningRow>> matters() {
            byOrder.values().forEach(this::order);
            return matters;
        }

        private void order(List<Pieces> all) {
            together(all, Doing.CUT, p -> p.stage() == PieceStage.PLANNED || p.stage() == PieceStage.CUTTING);
            together(all, Doing.CUT, p -> p.stage() == PieceStage.OPEN);
            together(all, Doing.TIE, p -> atBench(p) && p.inHandOf().equals(me));
            together(all, Doing.TIE, p -> atBench(p) && p.inHandOf().isEmpty());
            Onward onward = Onward.of(
                    all.stream()
                            .map(p ->
                                    new Alike(new PieceState(p.stage(), Optional.ofNullable(p.dryUntil())), p.count()))
                            .toList(),
                    steps,
                    now);
            onward.act().map(TodayReads::doing).ifPresent(doing -> {
                List<Pieces> some = all.stream().filter(p -> stands(p, doing)).toList();
                add(some, doing, onward.pieces(), Optional.empty(), 0);
            });
            List<Pieces> wet = all.stream().filter(this::dries).toList();
            if (!wet.isEmpty()) {
                add(wet, next(), onward.drying(), onward.dryUntil(), 0);
            }
            if (onward.act().isEmpty() && onward.missing() > 0 && onward.sendable() > 0) {
                List<Pieces> some =
                        all.stream().filter(p -> stands(p, Doing.SEND)).toList();
                add(some, Doing.SEND, onward.sendable(), Optional.empty(), onward.missing());
            }
        }

        private Doing next() {
            return steps.packs() ? Doing.PACK : Doing.SEND;
        }

        private boolean atBench(Pieces pieces) {
            return (pieces.stage() == PieceStage.CUT || pieces.stage() == PieceStage.MAKING) && !pieces.heldUp();
        }

        private boolean dries(Pieces pieces) {
            Instant until = pieces.dryUntil();
            return stands(pieces, Doing.SEND) && until != null && now.isBefore(until);
        }

        private boolean stands(Pieces pieces, Doing doing) {
            return switch (doing) {
                case CHECK -> pieces.stage() == PieceStage.MADE;
                case PACK -> pieces.stage() == (steps.checks() ? PieceStage.CHECKED : PieceStage.MADE);
                default -> pieces.stage().made() && pieces.stage() != PieceStage.SENT;
            };
        }

        private void together(List<Pieces> all, Doing doing, Predicate<Pieces> which) {
            List<Pieces> some = all.stream().filter(which).toList();
            if (!some.isEmpty()) {
                add(some, doing, some.stream().mapToInt(Pieces::count).sum(), Optional.empty(), 0);
            }
        }

        private void add(List<Pieces> some, Doing doing, int count, Optional<Instant> until, int missing) {
            Pieces first = some.get(0);
            Optional<LatestStart> start =
                    Optional.ofNullable(first.leaves()).map(day -> start(some, doing, count, day));
            boolean inHand = doing == Doing.TIE && first.inHandOf().equals(me);
            Set<String> planned = makers.getOrDefault(first.order(), Set.of());
            boolean ofOthers =
                    (doing == Doing.TIE || doing == Doing.CUT) && !planned.isEmpty() && !planned.contains(me);
            matters.add(new Matter<>(
                    first.order(),
                    doing,
                    start,
                    until,
                    missing > 0,
                    new MorningRow(
                            first.order(),
                            first.reference(),
                            first.customer(),
                            first.line(),
                            sitting.patternName(first.pattern()),
                            doing,
                            count,
                            first.some().get(0),
                            some.stream()
                                    .flatMap(p -> p.some().stream())
                                    .sorted()
                                    .limit(60)
                                    .toList(),
                            first.due(),
                            start.map(LatestStart::day).orElse(null),
                            start.filter(s -> s.passed(today)).isPresent(),
                            until.orElse(null),
                            missing,
                            inHand,
                            inHand || !ofOthers,
                            doing == Doing.CUT ? first.batch() : null,
                            doing == Doing.CUT ? first.cutList() : null,
                            first.stage() == PieceStage.OPEN,
                            !planned.isEmpty())));
        }

        /** Whoever ties by the evening of that day still lets glue dry, checks and packs. */
        private LatestStart start(List<Pieces> some, Doing doing, int count, LocalDate leaves) {
            long seconds = 0;
            int drying = 0;
            if (doing == Doing.CUT) {
                seconds += (long) count * handling.cutSeconds();
            }
            if (doing == Doing.CUT || doing == Doing.TIE) {
                seconds += some.stream().mapToLong(Pieces::seconds).sum();
                drying = some.stream().mapToInt(Pieces::dryingSeconds).max().orElse(0);
            }
            if (doing != Doing.SEND && doing != Doing.PACK && steps.checks()) {
                seconds += (long) count * handling.checkSeconds();
            }
            if (doing != Doing.SEND && steps.packs()) {
                seconds += (long) count * handling.packSeconds();
            }
            int dryingDays = (drying + SECONDS_A_DAY - 1) / SECONDS_A_DAY;
            return LatestStart.of(open, leaves.minusDays(dryingDays), Duration.ofSeconds(seconds));
        }
    }

    private static Doing doing(PieceAct act) {
        return switch (act) {
            case CHECK -> Doing.CHECK;
            case PACK -> Doing.PACK;
            default -> Doing.SEND;
        };
    }
}
