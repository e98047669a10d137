package dev.restis.app.finished;

import dev.restis.app.orders.OrderFacts;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.orders.PieceActs;
import dev.restis.app.pieces.PieceMoved;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.work.PieceAct;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What left together, when and how. Every piece that is sent is in one, however it was sent. */
@Service
class Parcels {

    /** @param sentOn today where there is none */
    record ParcelRequest(
            List<Long> pieces,
            @Nullable LocalDate sentOn,
            @Nullable String way,
            @Nullable String tracking,
            @Nullable String note) {}

    /** @param version of what is changed */
    record ParcelChange(
            @Nullable LocalDate sentOn,
            @Nullable String way,
            @Nullable String tracking,
            @Nullable String note,
            int version) {}

    /**
     * A parcel.
     *
     * @param pieces how many are in it
     * @param takenOut how many were, and were not sent after all, or came back
     */
    record ParcelView(
            long id,
            int number,
            LocalDate sentOn,
            String way,
            String tracking,
            String note,
            int pieces,
            int takenOut,
            Instant at,
            String who,
            int version) {}

    private static final int MOST_SHOWN = 100;

    private final EntityManager entities;
    private final OrderPieces orders;
    private final PieceActs acts;
    private final Pieces pieces;
    private final OrderFacts facts;
    private final Clock clock;

    Parcels(EntityManager entities, OrderPieces orders, PieceActs acts, Pieces pieces, OrderFacts facts, Clock clock) {
        this.entities = entities;
        this.orders = orders;
        this.acts = acts;
        this.pieces = pieces;
        this.facts = facts;
        this.clock = clock;
    }

    /** Of an order, the newest first. */
    @Transactional(readOnly = true)
    public List<ParcelView> of(long order) {
        return entities.createQuery(
                        "select p from Parcel p where p.orderId = :order order by p.number desc", Parcel.class)
                .setParameter("order", order)
                .setMaxResults(MOST_SHOWN)
                .getResultStream()
                .map(Parcels::view)
                .toList();
    }

    private static ParcelView view(Parcel parcel) {
        return new ParcelView(
                parcel.id(),
                parcel.number(),
                parcel.sentOn,
                parcel.way,
                parcel.tracking,
                parcel.note,
                parcel.pieces().size(),
                parcel.takenOut(),
                parcel.at(),
                parcel.who(),
                parcel.version());
    }

    /**
     * Sends pieces of an order off, all of them or none.
     *
     * @return the parcel
     * @throws Conflict when one of them cannot be sent now, or is of another order
     */
    @Transactional
    public long send(long order, ParcelRequest request) {
        ParcelDetails details = ParcelDetails.read(
                request.sentOn(), request.way(), request.tracking(), request.note(), LocalDate.now(clock));
        // Whoever names none is told so before anything is held.
        acts.byOrder(request.pieces());
        orders.hold(request.pieces());
        Map<Long, List<Long>> byOrder = acts.byOrder(request.pieces());
        if (!byOrder.keySet().equals(Set.of(order))) {
            throw new Conflict("parcel.otherOrder");
        }
        long parcel = put(order, details, request.pieces());
        pieces.act(PieceAct.SEND, request.pieces());
        return parcel;
    }

    private long put(long order, ParcelDetails details, Collection<Long> which) {
        int before = entities.createQuery(
                        "select coalesce(max(p.number), 0) from Parcel p where p.orderId = :order", Integer.class)
                .setParameter("order", order)
                .getSingleResult();
        Parcel parcel = new Parcel(order, before + 1, details, which, clock.instant(), Workshop.whoever());
        entities.persist(parcel);
        entities.flush();
        return parcel.id();
    }

    /**
     * Sets right what was typed.
     *
     * @throws Conflict when somebody else did meanwhile
     */
    @Transactional
    public void change(long id, ParcelChange change) {
        Parcel parcel = parcel(id);
        if (parcel.version() != change.version()) {
            throw new Conflict("changedMeanwhile");
        }
        parcel.become(ParcelDetails.read(
                change.sentOn(), change.way(), change.tracking(), change.note(), LocalDate.now(clock)));
    }

    /**
     * It did not leave after all: everything that is in it lies here again.
     *
     * @throws Conflict when nothing is in it, or something came back from it
     */
    @Transactional
    public void takeBack(long id) {
        Parcel parcel = parcel(id);
        Workshop.mayTakeBack(parcel.who());
        List<Long> inside = parcel.pieces();
        if (inside.isEmpty()) {
            throw new Conflict("parcel.gone");
        }
        orders.hold(inside);
        entities.refresh(parcel);
        if (!parcel.pieces().equals(inside)) {
            throw new Conflict("parcel.gone");
        }
        pieces.takeBackNewest(PieceAct.SEND, inside);
    }

    private Parcel parcel(long id) {
        return Optional.ofNullable(entities.find(Parcel.class, id)).orElseThrow(() -> new NotFound("notFound"));
    }

    /** Whoever says no more than that pieces are sent, sends them today, by the way of their order. */
    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void moved(PieceMoved moved) {
        if (moved.act() == PieceAct.SEND) {
            Set<Long> loose = new TreeSet<>(moved.pieces());
            holding(moved.pieces()).forEach(p -> p.pieces().forEach(loose::remove));
            if (!loose.isEmpty()) {
                acts.byOrder(loose)
                        .forEach((order, some) -> put(
                                order,
                                new ParcelDetails(
                                        LocalDate.now(clock), facts.of(order).way(), "", ""),
                                some));
            }
        } else if (moved.act() == PieceAct.COME_BACK
                || moved.tookBack().filter(a -> a == PieceAct.SEND).isPresent()) {
            holding(moved.pieces()).forEach(p -> p.takeOut(moved.pieces()));
        } else if (moved.tookBack().filter(a -> a == PieceAct.COME_BACK).isPresent()) {
            putBack(moved.pieces());
        }
    }

    /** The parcels that some of these pieces are in. */
    private List<Parcel> holding(Collection<Long> which) {
        List<Long> ids = new ArrayList<>();
        for (Object id : entities.createNativeQuery(
                        "select distinct parcel_id from parcel_piece where piece_id in (:pieces) and not taken_out",
                        Long.class)
                .setParameter("pieces", which)
                .getResultList()) {
            ids.add((Long) id);
        }
        return ids.isEmpty()
                ? List.of()
                : entities.createQuery("select p from Parcel p where p.id in :ids", Parcel.class)
                        .setParameter("ids", ids)
                        .getResultList();
    }

    /** They did not come back after all: each is in the parcel again that it left in last. */
    private void putBack(Collection<Long> which) {
        entities.flush();
        entities.createNativeQuery("""
                        update parcel_piece p set taken_out = false
                        from (select piece_id, max(parcel_id) as parcel_id from parcel_piece
                              where piece_id in (:pieces) group by piece_id) last
                        where p.piece_id = last.piece_id and p.parcel_id = last.parcel_id
                        """).setParameter("pieces", which).executeUpdate();
    }
}
