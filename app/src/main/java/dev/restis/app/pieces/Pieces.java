package dev.restis.app.pieces;

import dev.restis.app.pieces.PieceEventRow.Particulars;
import dev.restis.app.pieces.PieceLook.LastAct;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceEvent;
import dev.restis.core.work.PieceLife;
import dev.restis.core.work.PieceStage;
import dev.restis.core.work.Refusal;
import dev.restis.core.work.WorkSteps;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * The door through which every piece moves. Whoever comes through it holds the orders of the pieces, see docs/locks.md; each act is
 * a row that stays, and is told to whoever listens before the transaction ends.
 */
@Service
public class Pieces {

    /** What is done with a piece by saying so; the rest goes with batches and strands. */
    public static final List<PieceAct> SAID = List.of(
            PieceAct.START,
            PieceAct.FINISH,
            PieceAct.CHECK,
            PieceAct.PACK,
            PieceAct.SEND,
            PieceAct.REDO,
            PieceAct.COME_BACK,
            PieceAct.GIVE_UP);

    private final EntityManager entities;
    private final PieceEventStore events;
    private final PieceNeeds needs;
    private final Workshop workshop;
    private final ApplicationEventPublisher listeners;
    private final Clock clock;

    Pieces(
            EntityManager entities,
            PieceEventStore events,
            PieceNeeds needs,
            Workshop workshop,
            ApplicationEventPublisher listeners,
            Clock clock) {
        this.entities = entities;
        this.events = events;
        this.needs = needs;
        this.workshop = workshop;
        this.listeners = listeners;
        this.clock = clock;
    }

    /**
     * Puts open pieces in a batch.
     *
     * @throws Conflict when one of them is not open any more
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void plan(Collection<Long> pieces, long batch) {
        act(PieceAct.PLAN, found(pieces), batch, "");
    }

    /**
     * Does it with these pieces, all of them or none.
     *
     * @throws Conflict when one of them does not stand where it could be done, or must dry first
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void act(PieceAct act, Collection<Long> pieces) {
        act(act, found(pieces), null, "");
    }

    /**
     * Does it with these pieces, and keeps why.
     *
     * @param reason in the words of who does it; may be empty
     * @throws Conflict when one of them does not stand where it could be done, or must dry first
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void act(PieceAct act, Collection<Long> pieces, String reason) {
        act(act, found(pieces), null, reason);
    }

    private void act(PieceAct act, List<LivingPiece> pieces, @Nullable Long batch, String reason) {
        if (pieces.isEmpty()) {
            return;
        }
        Instant now = clock.instant();
        WorkSteps steps = workshop.steps();
        Map<Long, Instant> dry = act == PieceAct.FINISH ? dryUntil(pieces, now) : Map.of();
        for (LivingPiece piece : pieces) {
            PieceLife.refusal(piece.state(), act, steps, now).ifPresent(r -> {
                throw refused(r);
            });
            piece.stands(PieceLife.after(piece.state(), act, Optional.ofNullable(dry.get(piece.id()))), batch);
        }
        keep(act, pieces, now, p -> new Particulars(batch, dry.get(p), null, reason));
        moved(act, Optional.empty(), pieces);
        if (act == PieceAct.RELEASE) {
            // Whoever heard of it has seen to what was cut for them.
            needs.forget(ids(pieces));
        }
    }

    /** When what is glued will be dry. */
    private Map<Long, Instant> dryUntil(List<LivingPiece> pieces, Instant now) {
        Map<Long, Instant> dry = new HashMap<>();
        for (Object row : entities.createNativeQuery(
                        "select piece_id, drying_s from piece_estimate where piece_id in (:pieces) and drying_s > 0",
                        Tuple.class)
                .setParameter("pieces", ids(pieces))
                .getResultList()) {
            Tuple estimate = (Tuple) row;
            dry.put(
                    estimate.get(0, Number.class).longValue(),
                    now.plusSeconds(estimate.get(1, Number.class).longValue()));
        }
        return dry;
    }

    /** Opens those of these pieces of a batch again that are not cut; returns them. */
    @Transactional(propagation = Propagation.MANDATORY)
    public List<Long> release(long batch, Collection<Long> only) {
        List<LivingPiece> uncut = entities.createQuery(
                        "select p from Piece p where p.batchId = :batch and p.stage < :cut and p.id in :only order by p.id",
                        LivingPiece.class)
                .setParameter("batch", batch)
                .setParameter("only", only)
                .setParameter("cut", PieceStage.CUT)
                .getResultList();
        act(PieceAct.RELEASE, uncut, null, "");
        return ids(uncut);
    }

    /** The pieces of a batch that are not cut yet. */
    @Transactional(readOnly = true)
    public List<Long> uncut(long batch) {
        return entities.createQuery(
                        "select p.id from Piece p where p.batchId = :batch and p.stage < :cut order by p.id",
                        Long.class)
                .setParameter("batch", batch)
                .setParameter("cut", PieceStage.CUT)
                .getResultList();
    }

    /**
     * Something of these pieces was cut, or cut no more.
     *
     * @param begun those of them of which a strand is cut now
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void cutting(Set<Long> pieces, Set<Long> begun) {
        List<LivingPiece> into = new ArrayList<>();
        List<LivingPiece> back = new ArrayList<>();
        for (LivingPiece piece : found(pieces)) {
            switch (piece.stage()) {
                case PLANNED -> {
                    if (begun.contains(piece.id())) {
                        into.add(piece);
                    }
                }
                case CUTTING -> {
                    if (!begun.contains(piece.id())) {
                        back.add(piece);
                    }
                }
                default -> {}
            }
        }
        act(PieceAct.CUT_INTO, into, null, "");
        takeBack(back, PieceAct.CUT_INTO);
        Set<Long> still = new TreeSet<>(pieces);
        still.removeAll(ids(into));
        still.removeAll(ids(back));
        if (!still.isEmpty()) {
            // What their orders are promised changes with every cut.
            listeners.publishEvent(new CuttingWentOn(still));
        }
    }

    /**
     * A cut of these pieces is taken back at the bench: they are not cut after all.
     *
     * @throws Conflict when something was done with one of them since
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void uncut(Collection<Long> pieces) {
        List<LivingPiece> cut = found(pieces);
        if (cut.stream().anyMatch(LivingPiece::made)) {
            throw new Conflict("cut.made");
        }
        takeBack(cut, PieceAct.CUT);
    }

    /** Those of the pieces that are cut. */
    @Transactional(readOnly = true)
    public Set<Long> cutOf(Collection<Long> pieces) {
        return found(pieces).stream()
                .filter(LivingPiece::cut)
                .map(LivingPiece::id)
                .collect(Collectors.toSet());
    }

    /** The pieces that these rows are about. */
    @Transactional(readOnly = true)
    public Set<Long> piecesOf(Collection<Long> rows) {
        return events.findAllById(rows).stream().map(PieceEventRow::piece).collect(Collectors.toSet());
    }

    /**
     * Takes acts back that stand as the newest of their pieces, all of them or none.
     *
     * @throws Conflict when something rests on one of them, or it is taken back in another way
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void takeBack(Collection<Long> rows) {
        Map<Long, Long> byPiece = events.findAllById(rows).stream()
                .collect(Collectors.toMap(PieceEventRow::piece, PieceEventRow::id, Math::max));
        Map<Long, PieceLife> lives = lives(byPiece.keySet());
        Map<PieceAct, List<LivingPiece>> byAct = new EnumMap<>(PieceAct.class);
        for (LivingPiece piece : found(byPiece.keySet())) {
            PieceLife life = lives.getOrDefault(piece.id(), PieceLife.of(List.of()));
            life.refusalToTakeBack(Objects.requireNonNull(byPiece.get(piece.id())))
                    .ifPresent(r -> {
                        throw refused(r);
                    });
            PieceEvent newest = life.newest().orElseThrow();
            Workshop.mayTakeBack(newest.who());
            byAct.computeIfAbsent(newest.act(), a -> new ArrayList<>()).add(piece);
        }
        byAct.forEach((act, pieces) -> takeBack(pieces, act));
    }

    /**
     * Takes back the newest act of each of these pieces, which must be this one.
     *
     * @throws Conflict when something else was done with one of them since
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void takeBackNewest(PieceAct act, Collection<Long> pieces) {
        takeBack(found(pieces), act);
    }

    /** What was done last with a piece, of what stands. */
    @Transactional(readOnly = true)
    public Optional<PieceAct> newest(long piece) {
        return Optional.ofNullable(lives(List.of(piece)).get(piece))
                .flatMap(PieceLife::newest)
                .map(PieceEvent::act);
    }

    /** Whether a piece came back from its customer and did not leave again, whatever was done with it since. */
    @Transactional(readOnly = true)
    public boolean isBack(long piece) {
        return Optional.ofNullable(lives(List.of(piece)).get(piece)).stream()
                .flatMap(life -> life.standing().stream())
                .map(PieceEvent::act)
                .filter(act -> act == PieceAct.SEND || act == PieceAct.COME_BACK)
                .reduce((before, after) -> after)
                .filter(act -> act == PieceAct.COME_BACK)
                .isPresent();
    }

    /** How far a piece is. */
    @Transactional(readOnly = true)
    public PieceStage stage(long piece) {
        return found(List.of(piece)).get(0).stage();
    }

    /** Where these pieces stand, in the order in which they are given; they may be gone since they were read. */
    @Transactional(readOnly = true)
    public List<PieceLook> look(List<? extends LivingPiece> pieces) {
        Instant now = clock.instant();
        WorkSteps steps = workshop.steps();
        Map<Long, PieceLife> lives = lives(pieces.stream().map(LivingPiece::id).toList());
        return pieces.stream()
                .map(piece -> look(piece, lives.get(piece.id()), steps, now))
                .toList();
    }

    private static PieceLook look(LivingPiece piece, @Nullable PieceLife life, WorkSteps steps, Instant now) {
        return new PieceLook(
                piece.id(),
                piece.stage(),
                piece.state().dryUntil().filter(now::isBefore).orElse(null),
                Optional.ofNullable(life)
                        .flatMap(PieceLife::newest)
                        .map(e -> new LastAct(
                                e.number(), e.act(), e.at(), e.who(), e.act().takenBackAlone(), e.reason()))
                        .orElse(null),
                SAID.stream()
                        .filter(act -> PieceLife.refusal(piece.state(), act, steps, now)
                                .isEmpty())
                        .toList());
    }

    /** Those of the pieces with which this can be done now. */
    @Transactional(readOnly = true)
    public List<Long> able(PieceAct act, Collection<? extends LivingPiece> pieces) {
        Instant now = clock.instant();
        WorkSteps steps = workshop.steps();
        return pieces.stream()
                .filter(p -> PieceLife.refusal(p.state(), act, steps, now).isEmpty())
                .map(LivingPiece::id)
                .toList();
    }

    private void takeBack(List<LivingPiece> pieces, PieceAct act) {
        if (pieces.isEmpty()) {
            return;
        }
        Map<Long, PieceLife> lives = lives(ids(pieces));
        Map<Long, Long> taken = new HashMap<>();
        Instant now = clock.instant();
        for (LivingPiece piece : pieces) {
            PieceLife life = lives.getOrDefault(piece.id(), PieceLife.of(List.of()));
            PieceEvent newest = life.newest().orElseThrow(() -> refused(new Refusal.NothingToTakeBack()));
            if (newest.act() != act) {
                throw refused(new Refusal.LaterRests(newest));
            }
            taken.put(piece.id(), newest.number());
            piece.stands(life.stateBefore(), null);
        }
        keep(PieceAct.TAKE_BACK, pieces, now, p -> new Particulars(null, null, taken.get(p), ""));
        moved(PieceAct.TAKE_BACK, Optional.of(act), pieces);
    }

    private Map<Long, PieceLife> lives(Collection<Long> pieces) {
        entities.flush();
        return events.of(pieces).stream()
                .collect(Collectors.groupingBy(
                        PieceEventRow::piece,
                        Collectors.collectingAndThen(
                                Collectors.mapping(PieceEventRow::event, Collectors.toList()), PieceLife::of)));
    }

    private void keep(PieceAct act, List<LivingPiece> pieces, Instant now, LongFunction<Particulars> particulars) {
        String who = Workshop.whoever();
        Long person = workshop.personOf(who).orElse(null);
        events.saveAll(pieces.stream()
                .map(p -> new PieceEventRow(p.id(), act, now, person, who, particulars.apply(p.id())))
                .toList());
    }

    private void moved(PieceAct act, Optional<PieceAct> tookBack, List<LivingPiece> pieces) {
        listeners.publishEvent(new PieceMoved(act, tookBack, Set.copyOf(ids(pieces))));
    }

    private List<LivingPiece> found(Collection<Long> pieces) {
        if (pieces.isEmpty()) {
            return List.of();
        }
        List<LivingPiece> found = entities.createQuery(
                        "select p from Piece p where p.id in :pieces order by p.id", LivingPiece.class)
                .setParameter("pieces", pieces)
                .getResultList();
        if (found.size() < Set.copyOf(pieces).size()) {
            throw new NotFound("notFound");
        }
        return found;
    }

    private static List<Long> ids(List<LivingPiece> pieces) {
        return pieces.stream().map(LivingPiece::id).toList();
    }

    private Conflict refused(Refusal refusal) {
        return new Conflict(
                refusal.code(),
                refusal.args().stream()
                        .map(a -> a instanceof Instant at ? LocalDateTime.ofInstant(at, clock.getZone()) : a)
                        .toArray());
    }
}
