package dev.restis.app.workplan;

import dev.restis.app.learning.LearnedShelf;
import dev.restis.app.measures.OwnStitches;
import dev.restis.app.stock.Supply;
import dev.restis.app.workplan.BenchFacts.Facts;
import dev.restis.app.workplan.BenchFacts.Key;
import dev.restis.app.workplan.PlanOrderRow.LeftOut;
import dev.restis.app.workplan.PlanOrderRow.Wanted;
import dev.restis.app.workplan.Snapshot.Maker;
import dev.restis.app.workplan.Snapshot.PlannedOrder;
import dev.restis.app.workshop.Calendars;
import dev.restis.app.workshop.Calendars.CalendarView;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.batch.Bench;
import dev.restis.core.batch.Benches;
import dev.restis.core.batch.CordRelease.Arrival;
import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.MakerCalendar;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.SetUp;
import dev.restis.core.batch.SetUpTimes;
import dev.restis.core.batch.draft.Begun;
import dev.restis.core.batch.draft.Inputs;
import dev.restis.core.batch.draft.Lot;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.Learned;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.stitch.Family;
import dev.restis.core.work.WorkSteps;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads what there is to plan: what waits, who ties when and how fast, when cord comes, and what lies on the benches. */
@Service
class PlanInputs {

    /** So far ahead calendars are read; later days count as eight hours each. */
    private static final int DAYS = 400;
    /** An order that must be in time weighs as much. */
    private static final int MUST = 3;

    private final OpenReads reads;
    private final BenchFacts benches;
    private final Calendars calendars;
    private final LearnedShelf learned;
    private final OwnStitches ownStitches;
    private final Supply supply;
    private final Workshop workshop;
    private final PlanSettings settings;
    private final Clock clock;

    PlanInputs(
            OpenReads reads,
            BenchFacts benches,
            Calendars calendars,
            LearnedShelf learned,
            OwnStitches ownStitches,
            Supply supply,
            Workshop workshop,
            PlanSettings settings,
            Clock clock) {
        this.reads = reads;
        this.benches = benches;
        this.calendars = calendars;
        this.learned = learned;
        this.ownStitches = ownStitches;
        this.supply = supply;
        this.workshop = workshop;
        this.settings = settings;
        this.clock = clock;
    }

    /** All of one moment. */
    @Transactional(readOnly = true)
    public Snapshot read() {
        return new Reading().snapshot();
    }

    /** One reading; what several steps of it need is read once. */
    private final class Reading {
        private final LocalDate today = LocalDate.now(clock);
        private final PlanRules rules = settings.rules();
        private final List<OpenReads.OpenOrder> open = reads.orders();
        private final Map<Long, OpenReads.OpenLine> lines = reads.lines().stream()
                .collect(Collectors.toMap(
                        OpenReads.OpenLine::line, Function.identity(), (a, b) -> a, LinkedHashMap::new));
        private final Map<Long, OpenReads.OpenLine> lastTied = reads.lastTied();
        private final List<OpenReads.TimedSetUp> timed = reads.timedSetUps();
        private final Map<Long, OpenReads.OpenLine> timedLines =
                reads.linesOf(timed.stream().map(OpenReads.TimedSetUp::line).collect(Collectors.toSet()));
        private final Map<Key, Facts> facts = benches.of(Stream.of(lines, lastTied, timedLines)
                .flatMap(of -> of.values().stream())
                .collect(Collectors.toMap(OpenReads.OpenLine::key, OpenReads.OpenLine::line, (a, b) -> a)));
        private final Map<String, Family> ownFamilies = ownStitches.families();
        private final List<CalendarView> present =
                calendars.all().stream().filter(p -> p.comes(today)).toList();
        private final WorkSteps steps = workshop.steps();
        private final Map<Long, LeftOut> leftOut = new TreeMap<>();
        private final Map<Long, Integer> orderPlaces = new HashMap<>();

        Snapshot snapshot() {
            for (OpenReads.OpenOrder order : open) {
                orderPlaces.put(order.id(), orderPlaces.size());
            }
            CordWaits cord = cord();
            Map<Long, Integer> releases = cord.releases();
            Map<Long, Integer> places = new HashMap<>();
            present.forEach(p -> places.put(p.person(), places.size()));
            Set<Long> tied = lines.values().stream()
                    .filter(line ->
                            present.stream().anyMatch(p -> ties(p, facts(line).family(ownFamilies))))
                    .map(OpenReads.OpenLine::line)
                    .collect(Collectors.toSet());
            List<Begun> begun = new ArrayList<>();
            Map<Long, OpenReads.InHand> hands = reads.inHand();
            Map<LotKey, List<Long>> waiting = new LinkedHashMap<>();
            for (OpenReads.OpenPiece piece : reads.pieces()) {
                OpenReads.OpenLine line = lines.get(piece.line());
                OpenReads.InHand hand = hands.get(piece.id());
                if (line == null) {
                    continue;
                }
                if (hand != null && places.containsKey(hand.person())) {
                    int seconds = (int) Math.max(60, Math.round(seconds(line, true) * hand.left()));
                    begun.add(new Begun(
                            line.line(),
                            Objects.requireNonNull(orderPlaces.get(line.order())),
                            places.getOrDefault(hand.person(), 0),
                            bench(line),
                            seconds,
                            piece.id()));
                } else if (!piece.cut() && !releases.containsKey(line.order())) {
                    leftOut.put(line.order(), LeftOut.NO_CORD);
                } else if (!tied.contains(line.line())) {
                    leftOut.put(line.order(), LeftOut.NOBODY_TIES);
                } else {
                    waiting.computeIfAbsent(new LotKey(line.line(), piece.cut()), k -> new ArrayList<>())
                            .add(piece.id());
                }
            }
            List<Lot> lots = new ArrayList<>();
            waiting.forEach((key, pieces) -> {
                OpenReads.OpenLine line = Objects.requireNonNull(lines.get(key.line()));
                lots.add(new Lot(
                        key.line(),
                        Objects.requireNonNull(orderPlaces.get(line.order())),
                        bench(line),
                        seconds(line, key.cut()),
                        key.cut() ? 0 : releases.getOrDefault(line.order(), 0),
                        line.together(),
                        pieces));
            });
            Inputs inputs = new Inputs(
                    makers(lots), orders(), lots, begun, setUps(), rules.wholePieces, rules.keepFreePercent / 100.0);
            return new Snapshot(
                    today,
                    inputs,
                    present.stream().map(p -> new Maker(p.person(), p.name())).toList(),
                    open.stream()
                            .map(o -> new PlannedOrder(
                                    o.id(), o.reference(), new Wanted(o.due().orElse(null), o.must()), o.promised()))
                            .toList(),
                    leftOut,
                    cord,
                    seen(places),
                    spreads(),
                    settings.publishes(rules));
        }

        /** The house's, as the bench has taken them: each set-up against what it should take after the one before. */
        private SetUpTimes setUps() {
            SetUpTimes house = new SetUpTimes(rules.familySeconds, rules.jigSeconds, rules.spoolSeconds);
            Map<Long, Bench> lies = new HashMap<>();
            List<SetUpTimes.Timed> seen = new ArrayList<>();
            for (OpenReads.TimedSetUp one : timed) {
                OpenReads.OpenLine line = timedLines.get(one.line());
                if (line != null) {
                    Bench bench = bench(line);
                    int expected = house.seconds(Optional.ofNullable(lies.put(one.person(), bench)), bench);
                    if (expected > 0) {
                        seen.add(new SetUpTimes.Timed(expected, one.seconds()));
                    }
                }
            }
            return house.learned(seen);
        }

        private boolean ties(CalendarView person, Family family) {
            return person.families().isEmpty() || person.families().contains(family);
        }

        private Facts facts(OpenReads.OpenLine line) {
            return Objects.requireNonNull(facts.get(line.key()));
        }

        private Bench bench(OpenReads.OpenLine line) {
            return facts(line)
                    .bench(ownFamilies, new Length(line.gaugeUm()), line.parts(), SetUp.cordsOf(line.setUp()));
        }

        private int seconds(OpenReads.OpenLine line, boolean cut) {
            return facts(line).seconds(rules, steps, line.seconds(), cut);
        }

        private CordWaits cord() {
            Map<Long, Map<Long, Long>> needs = reads.needs();
            List<OpenReads.OpenOrder> served = open.stream()
                    .sorted(Comparator.comparing(OpenReads.OpenOrder::dueOrLast).thenComparing(OpenReads.OpenOrder::id))
                    .toList();
            List<Arrival> arrivals = new ArrayList<>();
            supply.onOrder()
                    .forEach((article, days) -> days.forEach((day, quantity) -> arrivals.add(
                            new Arrival(article, (int) Math.max(0, day.toEpochDay() - today.toEpochDay()), quantity))));
            return new CordWaits(
                    served.stream().map(OpenReads.OpenOrder::id).toList(),
                    served.stream()
                            .map(o -> needs.getOrDefault(o.id(), Map.of()))
                            .toList(),
                    supply.here(),
                    arrivals);
        }

        private List<DueOrder> orders() {
            Map<Long, Integer> drying = new HashMap<>();
            lines.values()
                    .forEach(line -> drying.merge(line.order(), facts(line).dryingDays(), Math::max));
            return open.stream()
                    .map(o -> new DueOrder(
                            o.id(),
                            o.due().isEmpty()
                                    ? DueOrder.NEVER
                                    : (int) (o.due().get().toEpochDay() - today.toEpochDay()),
                            o.must() ? MUST : 1,
                            drying.getOrDefault(o.id(), 0)))
                    .toList();
        }

        private List<PlanMaker> makers(List<Lot> lots) {
            Map<Long, Bench> lies = new HashMap<>();
            lastTied.forEach((person, line) -> lies.put(person, bench(line)));
            Learned base = learned.learned(workshop.onlyMaker());
            Map<String, String> stitches = stitches(lots);
            Map<Long, Integer> worked =
                    reads.workedToday(today.atStartOfDay(clock.getZone()).toInstant());
            LocalTime now = LocalTime.now(clock);
            List<PlanMaker> makers = new ArrayList<>();
            for (CalendarView person : present) {
                Map<String, Double> pace = new HashMap<>();
                Learned own = base.by(Optional.of(person.name()));
                for (Family family : Family.values()) {
                    for (String word : ties(person, family) ? Benches.words(family) : List.<String>of()) {
                        String stitch = stitches.get(word);
                        String work = stitch == null ? "" : MakingTime.tying(stitch);
                        pace.put(word, stitch == null ? 1 : own.pace(work) / base.pace(work));
                    }
                }
                makers.add(new PlanMaker(
                        person.person(),
                        days(person, now, worked.getOrDefault(person.person(), 0)),
                        pace,
                        Optional.ofNullable(lies.get(person.person()))));
            }
            return makers;
        }

        /** Seconds on each day; of today, what is left of it. */
        private List<Integer> days(CalendarView person, LocalTime now, int worked) {
            MakerCalendar calendar = person.calendar();
            List<Integer> days = new ArrayList<>();
            for (int d = 0; d < DAYS; d++) {
                days.add(60 * calendar.on(today.plusDays(d)));
            }
            LocalTime end = person.ends() == null ? LocalTime.MAX : person.ends();
            long untilEnd = Math.max(0, Duration.between(now, end).toSeconds());
            days.set(0, (int) Math.max(0, Math.min(days.get(0) - worked, untilEnd)));
            return days;
        }

        /** Of each family in use, the stitch that most of its work is. */
        private Map<String, String> stitches(List<Lot> lots) {
            Map<String, Map<String, Long>> work = new TreeMap<>();
            for (Lot lot : lots) {
                Facts of = Objects.requireNonNull(
                        facts.get(Objects.requireNonNull(lines.get(lot.line())).key()));
                work.computeIfAbsent(lot.bench().family(), f -> new TreeMap<>())
                        .merge(of.stitch(), (long) lot.seconds() * lot.pieces().size(), Long::sum);
            }
            Map<String, String> most = new TreeMap<>();
            work.forEach((family, of) -> of.entrySet().stream()
                    .max(Map.Entry.comparingByValue())
                    .ifPresent(e -> most.put(family, e.getKey())));
            return most;
        }

        private Map<Long, Double> spreads() {
            Learned base = learned.learned(workshop.onlyMaker());
            Map<String, Double> known = new HashMap<>();
            Map<Long, Double> spreads = new HashMap<>();
            lines.values()
                    .forEach(line -> spreads.put(
                            line.line(),
                            known.computeIfAbsent(facts(line).stitch(), stitch -> MakingTime.spread(base, stitch))));
            return spreads;
        }

        private Map<Long, Seen> seen(Map<Long, Integer> places) {
            Map<Long, Seen> seen = new HashMap<>();
            for (PlanParcelRow row : reads.published()) {
                Integer maker = places.get(row.person());
                if (maker != null) {
                    int day = (int) Math.max(0, row.untilDay().toEpochDay() - today.toEpochDay());
                    row.pieces().forEach(piece -> seen.put(piece, new Seen(maker, day, day)));
                }
            }
            return seen;
        }
    }

    private record LotKey(long line, boolean cut) {}
}
