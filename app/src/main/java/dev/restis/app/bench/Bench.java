package dev.restis.app.bench;

import dev.restis.app.bench.BenchActRow.Act;
import dev.restis.app.bench.BenchActRow.By;
import dev.restis.app.bench.BenchActRow.Noted;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.make.BenchAct;
import dev.restis.core.make.BenchAct.Kind;
import dev.restis.core.make.Walk;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is done at the bench. A piece is in one person's hands; every act is a row, and where its piece stands on its card follows
 * from the rows. Whoever acts holds the piece's order, so that acts on one piece come one after the other.
 */
@Service
public class Bench {

    private static final int MOST_AT_ONCE = 200;
    static final int LONGEST_REASON = 400;
    static final int DAY_SECONDS = 86_400;

    /**
     * Something done with a step.
     *
     * @param key given once by whoever acts: sent twice it is one act
     * @param act what
     * @param step place of the step on the card; for taking back, of no account
     * @param seconds what the step took; nothing when nobody measured it
     * @param at when it was done, by the device's clock; nothing for now
     */
    public record StepAct(
            UUID key,
            long piece,
            Kind act,
            int step,
            @Nullable Integer seconds,
            @Nullable String reason,
            @Nullable Long lengthUm,
            @Nullable Integer strand,
            @Nullable Integer leg,
            @Nullable Long cordLeftUm,
            @Nullable Instant at) {}

    private final EntityManager entities;
    private final BenchActStore acts;
    private final Cards cards;
    private final OrderPieces orders;
    private final Pieces pieces;
    private final Workshop workshop;
    private final Measured measured;
    private final Clock clock;

    Bench(
            EntityManager entities,
            BenchActStore acts,
            Cards cards,
            OrderPieces orders,
            Pieces pieces,
            Workshop workshop,
            Measured measured,
            Clock clock) {
        this.measured = measured;
        this.entities = entities;
        this.acts = acts;
        this.cards = cards;
        this.orders = orders;
        this.pieces = pieces;
        this.workshop = workshop;
        this.clock = clock;
    }

    /**
     * Takes pieces in hand; those that are cut are begun.
     *
     * @param over also out of other people's hands
     * @throws Conflict when one of them is in somebody else's hands, or is not to be worked on
     */
    @Transactional
    public void take(Collection<Long> which, boolean over) {
        checkNamed(which);
        orders.hold(which);
        List<Long> begin = new ArrayList<>();
        List<Long> fresh = new ArrayList<>();
        for (long piece : new TreeSet<>(which)) {
            PieceStage stage = pieces.stage(piece);
            if (stage != PieceStage.CUT && stage != PieceStage.MAKING) {
                throw new Conflict("bench.notAtBench", stage);
            }
            Optional<BenchPiece> known = find(piece);
            known.filter(b -> !b.lies() && !mine(b) && !over).ifPresent(b -> {
                throw new Conflict("bench.inHand", b.inHandOf());
            });
            if (stage == PieceStage.CUT) {
                begin.add(piece);
            }
            if (known.isEmpty()) {
                fresh.add(piece);
            }
        }
        addToBench(fresh);
        if (!begin.isEmpty()) {
            pieces.act(PieceAct.START, begin);
        }
        Instant now = clock.instant();
        Long me = me();
        for (long piece : new TreeSet<>(which)) {
            BenchPiece bench = get(piece);
            if (!mine(bench)) {
                bench.taken(me, Workshop.whoever(), now);
                acts.save(new BenchActRow(by(UUID.randomUUID(), null), piece, Act.TAKE, null, Noted.NOTHING, null));
            }
        }
    }

    private void addToBench(List<Long> fresh) {
        Map<Long, PieceSpec> specs = orders.specsOfPieces(fresh);
        Map<PieceSpec, Long> kept = cards.keep(specs.values().stream());
        specs.forEach((piece, spec) -> entities.persist(new BenchPiece(piece, kept.getOrDefault(spec, 0L))));
    }

    /** A piece as it stands at the bench; one that was made without it comes to it now. */
    @Transactional(propagation = Propagation.MANDATORY)
    BenchPiece onBench(long piece) {
        if (find(piece).isEmpty()) {
            addToBench(List.of(piece));
        }
        return get(piece);
    }

    /** Whether the piece was made in another size before. */
    boolean resized(long piece) {
        return find(piece).filter(BenchPiece::resized).isPresent();
    }

    /** How long the piece was when it was inspected last. */
    Optional<Length> inspected(long piece) {
        return find(piece).flatMap(bench -> {
            int last = cards.card(bench.card()).steps().size() - 1;
            return bench.onCard(acts.of(List.of(piece))).stream()
                    .filter(a -> a.step() == last)
                    .flatMap(a -> a.length().stream())
                    .reduce((a, b) -> b);
        });
    }

    /** The card of a piece that was taken in hand. */
    @Transactional(readOnly = true)
    public WorkCard card(long piece) {
        return cards.card(get(piece).card());
    }

    /** Lays pieces down; one with which nothing was done yet is as it was before it was taken. */
    @Transactional
    public void layDown(Collection<Long> which) {
        checkNamed(which);
        orders.hold(which);
        for (long piece : new TreeSet<>(which)) {
            BenchPiece bench = get(piece);
            mustBeMine(bench);
            bench.laidDown();
            acts.save(new BenchActRow(by(UUID.randomUUID(), null), piece, Act.LAY_DOWN, null, Noted.NOTHING, null));
            if (walk(bench, acts.of(List.of(piece))).standing().isEmpty()
                    && pieces.stage(piece) == PieceStage.MAKING
                    && pieces.newest(piece).filter(a -> a == PieceAct.START).isPresent()) {
                pieces.takeBackNewest(PieceAct.START, List.of(piece));
                entities.remove(bench);
            }
        }
    }

    /**
     * Does something with a step; sent again it changes nothing.
     *
     * @throws Conflict when the piece is not in one's hands, or has moved on
     */
    @Transactional
    public void act(StepAct doing) {
        List<Fault> faults = faults(doing);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        orders.hold(List.of(doing.piece()));
        if (acts.findByKey(doing.key()).isPresent()) {
            return;
        }
        BenchPiece bench = get(doing.piece());
        if (doing.act() == Kind.TAKE_BACK && bench.lies()) {
            // What was done last laid it down.
            bench.taken(me(), Workshop.whoever(), clock.instant());
        }
        mustBeMine(bench);
        PieceStage stage = pieces.stage(doing.piece());
        if (stage != PieceStage.MAKING && stage != PieceStage.MADE && stage != PieceStage.CHECKED) {
            throw new Conflict("bench.movedOn", stage);
        }
        String reason = Texts.given(doing.reason()).orElse("");
        List<BenchActRow> rows = new ArrayList<>(acts.of(List.of(doing.piece())));
        Walk walk = walk(bench, rows);
        Long takesBack = null;
        if (doing.act() == Kind.TAKE_BACK) {
            BenchAct newest = walk.newest().orElseThrow(() -> new Conflict("bench.NOTHING_TO_TAKE_BACK", 0));
            acts.findById(newest.number()).ifPresent(a -> Workshop.mayTakeBack(a.who()));
            takesBack = newest.number();
        } else {
            walk.refusal(doing.act(), doing.step(), !reason.isEmpty()).ifPresent(refusal -> {
                throw new Conflict("bench." + refusal, walk.next() + 1);
            });
        }
        rows.add(acts.saveAndFlush(new BenchActRow(
                by(doing.key(), doing.at()),
                doing.piece(),
                Act.of(doing.act()),
                takesBack == null ? doing.step() : walk.newest().orElseThrow().step(),
                new Noted(doing.seconds(), reason, doing.lengthUm(), doing.strand(), doing.leg(), doing.cordLeftUm()),
                takesBack)));
        Walk after = walk(bench, rows);
        bench.stands(after.next(), after.heldUp());
        settle(bench, stage, after, doing.act() == Kind.TAKE_BACK, reason);
        boolean made = stage.compareTo(PieceStage.MADE) >= 0;
        boolean madeNow = pieces.stage(doing.piece()).compareTo(PieceStage.MADE) >= 0;
        if (madeNow && !made && !bench.resized()) {
            measured.made(doing.piece(), cards.card(bench.card()), rows);
        } else if (made && !madeNow) {
            measured.unmade(doing.piece());
        }
    }

    /** Minutes were written down, or taken back, after the piece was made. */
    void timedOtherwise(long piece) {
        if (pieces.stage(piece).compareTo(PieceStage.MADE) >= 0 && !get(piece).resized()) {
            measured.made(piece, card(piece), acts.of(List.of(piece)));
        }
    }

    /** Moves the piece in its life to where it is on its card: made before it is inspected, checked after. */
    private void settle(BenchPiece bench, PieceStage stage, Walk walk, boolean back, String reason) {
        int inspecting = cards.card(bench.card()).steps().size() - 1;
        boolean checks = workshop.steps().checks();
        PieceStage wanted = walk.next() < inspecting
                ? PieceStage.MAKING
                : walk.allDone() && checks ? PieceStage.CHECKED : PieceStage.MADE;
        List<Long> one = List.of(bench.piece());
        PieceStage at = stage;
        if (at == PieceStage.CHECKED && wanted.compareTo(at) < 0 && back) {
            pieces.takeBackNewest(PieceAct.CHECK, one);
            at = PieceStage.MADE;
        }
        if (at.compareTo(PieceStage.MADE) >= 0 && wanted == PieceStage.MAKING) {
            if (back) {
                pieces.takeBackNewest(PieceAct.FINISH, one);
            } else {
                pieces.act(PieceAct.REDO, one, reason);
            }
        } else if (at == PieceStage.MAKING && wanted.compareTo(at) > 0) {
            if (back
                    && pieces.newest(bench.piece())
                            .filter(a -> a == PieceAct.REDO)
                            .isPresent()) {
                pieces.takeBackNewest(PieceAct.REDO, one);
            } else {
                pieces.act(PieceAct.FINISH, one);
            }
            at = pieces.stage(bench.piece());
        }
        if (at == PieceStage.MADE && wanted == PieceStage.CHECKED) {
            pieces.act(PieceAct.CHECK, one);
        }
        if (walk.allDone()) {
            bench.laidDown();
        }
    }

    private List<Fault> faults(StepAct doing) {
        List<Fault> faults = new ArrayList<>();
        if (doing.reason() != null && doing.reason().length() > LONGEST_REASON) {
            faults.add(Fault.of("reason", "tooLong", LONGEST_REASON));
        }
        if (doing.seconds() != null && (doing.seconds() < 0 || doing.seconds() > DAY_SECONDS)) {
            faults.add(Fault.of("seconds", "bench.seconds", doing.seconds()));
        }
        if (doing.lengthUm() != null && doing.lengthUm() <= 0) {
            faults.add(Fault.of("length", "missing"));
        }
        if (doing.cordLeftUm() != null && doing.cordLeftUm() < 0) {
            faults.add(Fault.of("cordLeft", "missing"));
        }
        return faults;
    }

    By by(UUID key, @Nullable Instant doneAt) {
        Instant now = clock.instant();
        // A device whose clock is ahead did it now.
        Instant done = doneAt == null || !doneAt.isBefore(now) ? now : doneAt;
        return new By(key, done, now, me(), Workshop.whoever());
    }

    private @Nullable Long me() {
        return workshop.personOf(Workshop.whoever()).orElse(null);
    }

    private static boolean mine(BenchPiece bench) {
        return bench.inHandOf().equals(Workshop.whoever());
    }

    static void mustBeMine(BenchPiece bench) {
        if (bench.lies()) {
            throw new Conflict("bench.notTaken");
        }
        if (!mine(bench)) {
            throw new Conflict("bench.inHand", bench.inHandOf());
        }
    }

    private Walk walk(BenchPiece bench, List<BenchActRow> rows) {
        return bench.walk(cards.card(bench.card()), workshop.bench().gatesRemind(), rows);
    }

    private Optional<BenchPiece> find(long piece) {
        return Optional.ofNullable(entities.find(BenchPiece.class, piece));
    }

    private BenchPiece get(long piece) {
        return find(piece).orElseThrow(() -> new NotFound("notFound"));
    }

    private static void checkNamed(Collection<Long> which) {
        if (which.isEmpty() || which.size() > MOST_AT_ONCE) {
            throw new Rejected(Fault.of("pieces", "named.range", which.size(), MOST_AT_ONCE));
        }
    }
}
