package dev.restis.app.bench;

import dev.restis.app.learning.Heard;
import dev.restis.app.learning.Heard.About;
import dev.restis.app.learning.Heard.OfStrand;
import dev.restis.app.learning.LearnedShelf;
import dev.restis.app.learning.Observations;
import dev.restis.app.learning.Source;
import dev.restis.app.learning.Subject;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.core.learning.Forecast;
import dev.restis.core.learning.Observation.Kind;
import dev.restis.core.make.BenchAct;
import dev.restis.core.make.CardStrand;
import dev.restis.core.make.LeftOver;
import dev.restis.core.make.Timings;
import dev.restis.core.make.Timings.Timed;
import dev.restis.core.make.Walk;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.Expected;
import dev.restis.core.work.PieceAct;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Says what was measured at the bench to whoever learns from it. */
@Service
class Measured {

    /**
     * What was left over of a strand, as it is kept.
     *
     * @param row of what was left over
     */
    record Left(long row, long piece, CardStrand strand, LeftOver left) {}

    /** Many weighed together are one figure; what the scale does not show is a part of it. */
    private static final double OF_WEIGHED = 0.01;

    /** A length beside a ruler, while it hangs: millimetres. */
    private static final double RULED = 1;
    /** How well hands meet the key, in seconds. */
    private static final double TIMED = 5;

    private final EntityManager entities;
    private final Observations observations;
    private final LearnedShelf shelf;
    private final OrderPieces orders;
    private final PieceDesk desk;
    private final Clock clock;

    Measured(
            EntityManager entities,
            Observations observations,
            LearnedShelf shelf,
            OrderPieces orders,
            PieceDesk desk,
            Clock clock) {
        this.shelf = shelf;
        this.orders = orders;
        this.desk = desk;
        this.entities = entities;
        this.observations = observations;
        this.clock = clock;
    }

    /** What a strand takes by whoever ties the piece; nothing where no hand changes it. */
    Optional<Forecast> forecast(long piece, CardStrand strand) {
        Optional<String> maker = Optional.of(maker(piece)).filter(name -> !name.isEmpty());
        PieceSpec spec = orders.specsOfPieces(List.of(piece)).get(piece);
        return spec == null
                ? Optional.empty()
                : Expected.ofStrand(desk.sitByGeometry(maker).workOut(spec).piece(), strand.role(), strand.number())
                        .map(use -> shelf.beliefs(Subject.CORD).forecast(List.of(use)));
    }

    /** Cord that strands took, together; all of one figure. */
    void left(List<Left> together) {
        List<Long> rows = new ArrayList<>();
        List<OfStrand> strands = new ArrayList<>();
        Length cut = Length.ZERO;
        Length used = Length.ZERO;
        Length left = Length.ZERO;
        boolean ranShort = false;
        boolean spliced = false;
        for (Left one : together) {
            rows.add(one.row());
            strands.add(
                    new OfStrand(one.piece(), one.strand().role(), one.strand().number()));
            cut = cut.plus(one.strand().cut());
            used = used.plus(one.left().used(one.strand()));
            left = left.plus(one.left().left());
            ranShort |= one.left().shortOf(one.strand());
            spliced |= spliced(one.piece());
        }
        // Of a strand that took more than itself only so much is known.
        Length least = spliced ? cut : used;
        if (!least.isPositive()) {
            return;
        }
        long piece = together.get(0).piece();
        observations.heard(new Heard(
                Subject.CORD,
                Source.STRAND,
                rows,
                piece,
                maker(piece),
                LocalDate.now(clock),
                least.toMillimetres(),
                reading(together.get(0).left().how(), left),
                ranShort || spliced ? Kind.AT_LEAST : Kind.EXACT,
                new About(strands, null, 1),
                cut.micrometres(),
                ranShort || spliced));
    }

    /** One standard deviation of the figure, in millimetres. */
    private static double reading(LeftOver.How how, Length left) {
        return switch (how) {
            case MEASURED -> 2;
            case ABOUT -> 20;
            case WEIGHED -> 20 + OF_WEIGHED * left.toMillimetres();
        };
    }

    void takenBack(LeftOverRow row) {
        observations.takenBack(Source.STRAND, List.of(row.id()));
    }

    /** What was timed and measured of a piece that is made; what was said of it before is taken back. */
    void made(long piece, WorkCard card, List<BenchActRow> all) {
        unmade(piece);
        Set<Long> standing =
                Walk.of(
                                card,
                                true,
                                0,
                                all.stream().flatMap(a -> a.walks().stream()).toList())
                        .standing()
                        .stream()
                        .map(BenchAct::number)
                        .collect(Collectors.toSet());
        List<Timed> timed = new ArrayList<>();
        Map<Integer, Length> lengths = new HashMap<>();
        boolean laid = false;
        for (BenchActRow act : all) {
            laid |= act.act() == BenchActRow.Act.LAY_DOWN;
            if (standing.contains(act.id())) {
                if (act.seconds() != null) {
                    timed.add(new Timed(act.step(), act.seconds(), laid));
                }
                act.length().ifPresent(length -> lengths.put(act.step(), length));
                laid = false;
            }
        }
        for (Notes.BenchNoteView note : Notes.standing(all)) {
            if (note.seconds() != null) {
                timed.add(new Timed(note.step(), note.seconds(), false));
            }
        }
        String maker = maker(piece);
        for (Timings.Took took : Timings.took(card, timed)) {
            observations.heard(new Heard(
                    Subject.TIME,
                    Source.STEP,
                    List.of(piece),
                    piece,
                    maker,
                    LocalDate.now(clock),
                    took.seconds(),
                    TIMED,
                    took.interrupted() ? Kind.AT_MOST : Kind.EXACT,
                    About.of(took.work(), took.share()),
                    0,
                    false));
        }
        for (Timings.Grown grown : Timings.grown(card, lengths)) {
            observations.heard(new Heard(
                    Subject.PITCH,
                    Source.LENGTH,
                    List.of(piece),
                    piece,
                    maker,
                    LocalDate.now(clock),
                    grown.length().toMillimetres(),
                    RULED,
                    Kind.EXACT,
                    About.of(grown.stitch(), grown.repeats()),
                    0,
                    false));
        }
    }

    /** The piece is not made any more. */
    void unmade(long piece) {
        observations.takenBack(Source.STEP, List.of(piece));
        observations.takenBack(Source.LENGTH, List.of(piece));
    }

    void setUp(BenchSetUp row, String who) {
        observations.heard(new Heard(
                Subject.TIME,
                Source.SET_UP,
                List.of(row.id()),
                null,
                who,
                LocalDate.now(clock),
                row.seconds(),
                TIMED,
                Kind.EXACT,
                About.NOTHING,
                0,
                false));
    }

    void setUpTakenBack(long row) {
        observations.takenBack(Source.SET_UP, List.of(row));
    }

    /** Whether cord was added to a strand of the piece. */
    private boolean spliced(long piece) {
        return !entities.createQuery(
                        "select a.id from BenchActRow a where a.pieceId = :piece and a.act = :act", Long.class)
                .setParameter("piece", piece)
                .setParameter("act", BenchActRow.Act.SPLICE)
                .setMaxResults(1)
                .getResultList()
                .isEmpty();
    }

    /** Whoever began the piece last. */
    private String maker(long piece) {
        return entities.createQuery(
                        "select e.who from PieceEventRow e where e.pieceId = :piece and e.act = :act order by e.id desc",
                        String.class)
                .setParameter("piece", piece)
                .setParameter("act", PieceAct.START)
                .setMaxResults(1)
                .getResultStream()
                .findFirst()
                .orElse("");
    }
}
