package dev.restis.app.demo;

import static dev.restis.app.demo.DemoPieces.ALL;
import static dev.restis.app.demo.DemoWorkshop.MAKER;
import static dev.restis.app.demo.DemoWorkshop.OWNER;

import dev.restis.app.bench.Bench;
import dev.restis.app.bench.Bench.StepAct;
import dev.restis.app.bench.LeftOvers;
import dev.restis.app.bench.LeftOvers.LeftRequest;
import dev.restis.app.cut.CutBench;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceChoices.PartChoice;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.make.BenchAct.Kind;
import dev.restis.core.make.CardMaker;
import dev.restis.core.make.CardStep;
import dev.restis.core.make.CardStrand;
import dev.restis.core.make.CordLeft;
import dev.restis.core.make.Gate;
import dev.restis.core.make.LeftOver.How;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Expected;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Stitches;
import dev.restis.core.work.PieceAct;
import dev.restis.core.work.WorkSteps;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What Ullin Bench tied on the days before, so that something stands at every stage: each of its makers with a hand of their own, as
 * hands are. Left out with {@code restis.demo-bench=false}, where a bare workshop is wanted.
 */
@Component
@ConditionalOnProperty(
        name = {"restis.demo", "restis.demo-bench"},
        havingValue = "true")
class DemoBench {

    /**
     * How somebody ties.
     *
     * @param slack share of cord that they take beyond geometry
     * @param stretch how much longer their work comes out than geometry
     * @param pace share of the time that is guessed
     */
    private record Hand(double slack, double stretch, double pace) {}

    private static final Map<String, Hand> HANDS =
            Map.of(OWNER, new Hand(-0.02, 0.01, 1.15), MAKER, new Hand(0.04, 0.03, 0.85));
    /** With a new supply the maker's snake knots became looser from one day to the next. */
    private static final String LOOSER = "stitch " + Stitches.SNAKE_KNOT.code();

    private static final double BY_SO_MUCH = 0.12;
    private static final int SINCE = -6;
    private static final Logger LOG = LoggerFactory.getLogger(DemoBench.class);
    private static final int STRANDS_CUT = 3;
    private static final double NOISE = 0.025;
    private static final double NOISE_OF_TIME = 0.12;
    private static final double NOISE_OF_LENGTH = 0.008;

    private final Workshop workshop;
    private final SettingRevisions settings;
    private final DemoShelves shelves;
    private final DemoOrders orders;
    private final CutBench cutBench;
    private final DemoPieces pieces;
    private final Bench bench;
    private final LeftOvers leftOvers;
    private final PieceDesk desk;
    private final OrderPieces specs;
    private final EntityManager entities;
    private final TransactionTemplate together;
    private final DemoClock clock;
    /** The same on every first start. */
    private final Random random = new Random(1807);

    DemoBench(
            Workshop workshop,
            SettingRevisions settings,
            DemoShelves shelves,
            DemoOrders orders,
            CutBench cutBench,
            DemoPieces pieces,
            Bench bench,
            LeftOvers leftOvers,
            PieceDesk desk,
            OrderPieces specs,
            EntityManager entities,
            TransactionTemplate together,
            DemoClock clock) {
        this.together = together;
        this.desk = desk;
        this.specs = specs;
        this.workshop = workshop;
        this.settings = settings;
        this.shelves = shelves;
        this.orders = orders;
        this.cutBench = cutBench;
        this.pieces = pieces;
        this.bench = bench;
        this.leftOvers = leftOvers;
        this.entities = entities;
        this.clock = clock;
    }

    List<DemoEntry> calendar() {
        return List.of(
                new DemoEntry(-8, "11:00", OWNER, this::takeOrders),
                new DemoEntry(
                        -8, "16:00", MAKER, () -> pieces.cut("Spring pieces", "Ferry crew", "Net loft", "Lamp room")),
                new DemoEntry(-7, "07:30", OWNER, () -> tie("Ferry crew", -7, 3)),
                new DemoEntry(-7, "07:30", MAKER, () -> tie("Ferry crew", -7, 4)),
                new DemoEntry(-6, "07:30", OWNER, () -> tie("Ferry crew", -6, 2)),
                new DemoEntry(-6, "07:30", MAKER, () -> tie("Ferry crew", -6, 3)),
                new DemoEntry(-5, "07:30", OWNER, () -> tie("Net loft", -5, 3)),
                new DemoEntry(-5, "07:30", MAKER, () -> tie("Lamp room", -5, 6)),
                new DemoEntry(-4, "07:30", OWNER, () -> tie("Net loft", -4, 1)),
                new DemoEntry(-4, "07:30", MAKER, () -> tie("Net loft", -4, 4)),
                new DemoEntry(-4, "16:10", MAKER, () -> slip("Net loft")),
                new DemoEntry(-4, "15:00", OWNER, () -> pieces.say("Ferry crew", ALL, PieceAct.PACK, PieceAct.SEND)),
                new DemoEntry(-4, "15:20", OWNER, () -> pieces.say("Lamp room", ALL, PieceAct.PACK)),
                new DemoEntry(
                        0,
                        "07:35",
                        OWNER,
                        () -> pieces.cut("Stair rail", "Sluice keeper", "Slip master", "Gull watch")),
                new DemoEntry(0, "07:40", MAKER, () -> begin("Sluice keeper", 1)),
                new DemoEntry(0, "07:42", MAKER, () -> begin("Slip master", 0.67)),
                new DemoEntry(0, "07:44", OWNER, () -> runShort("Gull watch")),
                new DemoEntry(0, "07:50", OWNER, this::cutHalf));
    }

    private void takeOrders() {
        workshop.keepSteps(new WorkSteps(true, true), settings.of(Setting.WORK_STEPS));
        shelves.receive("RO2", "RO-07", 1, "100 m", "15.10", "B1", null);
        shelves.receive("PI2", "PI-21", 1, "100 m", "13.90", "B2", null);
        take("Ferry crew", "in 6 days", 12, "snake", "17 cm", Map.of(), "RO2", "PI2");
        take("Net loft", "in 9 days", 8, "square-bar", "16.5 cm", bead("HB9", 2), "PI2", "RO2");
        take("Lamp room", "in 12 days", 6, "spiral-fob", null, Map.of("ring", DemoOrders.part("RG25")), "RO2", "PI2");
        take("Sluice keeper", "in 14 days", 2, "snake", "18 cm", Map.of(), "DU25", "DU25");
        take("Slip master", "in 15 days", 3, "snake", "19 cm", Map.of(), "PI2", "RO2");
        take("Gull watch", "in 15 days", 1, "square-bar", "17 cm", bead("HB9", 1), "RO2", "PI2");
        take("Tide clerk", "in 16 days", 4, "snake", "16 cm", Map.of(), "PI2", "PI2");
    }

    /** The first strands of a list are cut, and the bench is left. A better plan may still come in before the first cut. */
    private void cutHalf() {
        long list = pieces.propose("Tide clerk", "Tide clerk");
        for (int cut = 0, tries = 0; cut < STRANDS_CUT && tries < 20; tries++) {
            try {
                Tuple step = nextCut(list);
                long spool = step.get("spool", Long.class);
                cutBench.take(list, spool, false);
                cutBench.cut(list, spool, List.of(step.get("step", Long.class)), null, null);
                cut++;
            } catch (Conflict overtaken) {
                LOG.debug("The demo's cut list was planned anew: {}", overtaken.getMessage());
            }
        }
    }

    private Tuple nextCut(long list) {
        return entities.createQuery("""
                        select s.id as spool, t.id as step from CutSpool s join s.steps t
                        where s.listId = :list and t.doneAt is null order by s.number, t.number
                        """, Tuple.class)
                .setParameter("list", list)
                .setMaxResults(1)
                .getSingleResult();
    }

    /** Ties the next pieces of an order from the first step to the last, and keeps what is left of their strands. */
    void tie(String customer, int day, int count) {
        // Their cards are those of the morning, whatever is learned while they are tied.
        List<Long> morning = pieces.next(customer, PieceAct.START, count);
        bench.take(morning, false);
        for (long piece : morning) {
            WorkCard card = bench.card(piece);
            WorkedPiece plain = plain(piece);
            WorkCard guessed = CardMaker.of(plain);
            // Together: one by one, their many commits would hold the first start up.
            together.executeWithoutResult(all -> {
                for (int step = 0; step < card.steps().size(); step++) {
                    done(piece, card, guessed, step);
                }
            });
            for (int place = 0; place < card.strands().size(); place++) {
                leftOvers.keep(piece, left(card.strands().get(place), place, plain, day));
            }
        }
    }

    /** By geometry: what hands make of it is theirs, and not what was learned of them. */
    private WorkedPiece plain(long piece) {
        PieceSpec spec =
                Objects.requireNonNull(specs.specsOfPieces(List.of(piece)).get(piece));
        return desk.sitByGeometry(Optional.of(Workshop.whoever())).workOut(spec).piece();
    }

    private LeftRequest left(CardStrand strand, int place, WorkedPiece plain, int day) {
        Hand hand = hand();
        double used = Expected.ofStrand(plain, strand.role(), strand.number())
                .map(use -> {
                    boolean looser =
                            hand.slack() > 0 && day >= SINCE && use.noise().equals(LOOSER);
                    double factor = 1 + hand.slack() + (looser ? BY_SO_MUCH : 0) + NOISE * random.nextGaussian();
                    return use.fixed() + (use.expected() - use.fixed()) * factor;
                })
                .orElse(strand.used().toMillimetres());
        long left = Math.max(0, Math.round(strand.cut().toMillimetres() - used));
        return measured(place, left + " mm");
    }

    private static LeftRequest measured(int place, String left) {
        return new LeftRequest(place, left, How.MEASURED, null, true, UnitSystem.METRIC);
    }

    /** For the strand in hand the figure of another was written down: nearly half of it is left. */
    private void slip(String customer) {
        long piece = pieces.next(customer, PieceAct.PACK, 1).get(0);
        LeftOvers.LeftOverView tying = leftOvers.of(piece).stream()
                .max(Comparator.comparingLong(LeftOvers.LeftOverView::cutUm))
                .orElseThrow();
        leftOvers.keep(piece, measured(tying.strand(), tying.cutUm() * 45 / 100_000 + " mm"));
    }

    /**
     * Ties the next piece of an order, but never inspects it: what is glued must dry first.
     *
     * @param share of its steps that are done
     */
    private void begin(String customer, double share) {
        long piece = pieces.next(customer, PieceAct.START, 1).get(0);
        WorkCard card = take(piece);
        WorkCard guessed = CardMaker.of(plain(piece));
        for (int step = 0; step < Math.floor((card.steps().size() - 1) * share); step++) {
            done(piece, card, guessed, step);
        }
    }

    /** At the first check that asks for it, the cord that is left does not reach: it lies until somebody decides. */
    private void runShort(String customer) {
        long piece = pieces.next(customer, PieceAct.START, 1).get(0);
        WorkCard card = take(piece);
        int check = IntStream.range(0, card.steps().size())
                .filter(i -> card.steps().get(i).gate().equals(Optional.of(Gate.HALF_WAY)))
                .findFirst()
                .orElseThrow();
        WorkCard guessed = CardMaker.of(plain(piece));
        for (int step = 0; step < check; step++) {
            done(piece, card, guessed, step);
        }
        CordLeft tying = card.steps().subList(0, check + 1).stream()
                .flatMap(s -> s.left().stream())
                .reduce((a, b) -> b)
                .orElseThrow();
        bench.act(new StepAct(
                UUID.randomUUID(),
                piece,
                Kind.NOT_YET,
                check,
                30,
                "the tying cord is nearly used up",
                card.steps().get(check).reach().micrometres(),
                tying.strand(),
                tying.leg(),
                Length.ofMillimetres(90).micrometres(),
                null));
        bench.layDown(List.of(piece));
    }

    private WorkCard take(long piece) {
        bench.take(List.of(piece), false);
        return bench.card(piece);
    }

    /**
     * The clock goes on by what the step takes this hand.
     *
     * @param guessed the card before anything was learned
     */
    private void done(long piece, WorkCard card, WorkCard guessed, int step) {
        CardStep before = (guessed.steps().size() == card.steps().size() ? guessed : card)
                .steps()
                .get(step);
        double pace = hand().pace() * (1 + NOISE_OF_TIME * random.nextGaussian());
        double stretch = 1 + hand().stretch() + NOISE_OF_LENGTH * random.nextGaussian();
        int seconds = (int) Math.max(1, Math.round(before.time().toSeconds() * pace));
        clock.set(clock.instant().plusSeconds(seconds));
        Long length = card.steps()
                .get(step)
                .measure()
                .map(m -> m.soFar()
                        .times(stretch * before.measure().map(b -> ratio(b, m)).orElse(1.0)))
                .map(Length::micrometres)
                .orElse(null);
        bench.act(
                new StepAct(UUID.randomUUID(), piece, Kind.DONE, step, seconds, null, length, null, null, null, null));
    }

    /** What geometry says of a length over what the card says. */
    private static double ratio(CardStep.Measure geometry, CardStep.Measure card) {
        return geometry.pitch().toMillimetres() / card.pitch().toMillimetres();
    }

    private static Hand hand() {
        return Objects.requireNonNull(HANDS.get(Workshop.whoever()));
    }

    private static Map<String, PartChoice> bead(String article, int count) {
        return Map.of("bead", new PartChoice(article, count));
    }

    private void take(
            String customer,
            String due,
            int quantity,
            String pattern,
            @Nullable String wrist,
            Map<String, PartChoice> parts,
            String first,
            String second) {
        orders.take(
                customer,
                due,
                quantity,
                pattern,
                wrist,
                wrist == null ? "12 cm" : null,
                List.of(first, second),
                false,
                parts);
    }
}
