package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What of orders is for the shelf: all that is made of some, and single pieces that came back from others. */
@Service
public class ShelvedPieces {

    private final EntityManager entities;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;

    ShelvedPieces(EntityManager entities, OrderLocks locks, Standing standing, History history) {
        this.entities = entities;
        this.locks = locks;
        this.standing = standing;
        this.history = history;
    }

    /** A piece stays with the house; whoever says so holds its order. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void shelve(long id) {
        Piece piece = entities.find(Piece.class, id);
        if (piece == null) {
            throw new NotFound("notFound");
        }
        piece.shelve(true);
        long order = piece.line().order().id();
        history.note(order, What.SHELVED, Map.of("pieces", 1));
        standing.refresh(List.of(order));
    }

    /** A piece that lies there, of whatever order: should it be given up, nothing is made in its place. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void waitedForByNobody(long id) {
        Piece piece = entities.find(Piece.class, id);
        if (piece == null) {
            throw new NotFound("notFound");
        }
        piece.shelve(true);
    }

    /** Pieces that were given up lie there again; those of an order of the house only as long as it is one. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void found(Collection<Long> pieces) {
        all(pieces).stream().filter(piece -> piece.line().order().forShelf()).forEach(piece -> piece.shelve(false));
    }

    /** These pieces are with their customers after all. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void gone(Collection<Long> pieces) {
        all(pieces).forEach(piece -> piece.shelve(false));
    }

    private List<Piece> all(Collection<Long> pieces) {
        return entities.createQuery("select p from Piece p where p.id in :pieces", Piece.class)
                .setParameter("pieces", pieces)
                .getResultList();
    }

    /**
     * A piece from the shelf goes to a line that waits for one, instead of one that nobody has begun. As it is as it is, it stands in a line of
     * its own where it is not what that line wants, at the price of that line.
     *
     * @throws Conflict when the line waits for no piece that nobody has begun
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void move(long id, long orderId, long lineId) {
        Piece piece = entities.find(Piece.class, id);
        if (piece == null) {
            throw new NotFound("notFound");
        }
        CustomerOrder from = piece.line().order();
        locks.hold(List.of(from.id(), orderId));
        entities.refresh(piece);
        if (piece.line().order().id() != from.id()) {
            throw new LockOrder.Overtaken();
        }
        CustomerOrder to = locks.hold(orderId);
        OrderLine line = to.lines().stream()
                .filter(l -> l.id() == lineId)
                .findFirst()
                .orElseThrow(() -> new Conflict("changedMeanwhile"));
        Piece open = line.pieces().stream()
                .filter(Piece::open)
                .reduce((a, b) -> b)
                .orElseThrow(() -> new Conflict("shelf.noneOpen"));
        OrderLine own = piece.line();
        line.drop(List.of(open));
        // Its number is free before another piece takes it.
        entities.flush();
        OrderLine into = own.spec().sameAs(line.spec()) ? line : beside(to, line, own);
        into.takeOver(List.of(piece));
        piece.shelve(false);
        if (line.empty()) {
            to.lines().remove(line);
        }
        if (own.empty() && from.lines().size() > 1) {
            from.lines().remove(own);
        }
        entities.flush();
        history.note(
                orderId,
                What.FROM_SHELF,
                Map.of("pieces", 1, "from", from.head().reference()));
        history.note(
                from.id(), What.SHELF_LEFT, Map.of("pieces", 1, "to", to.head().reference()));
        standing.refresh(List.of(from.id(), orderId));
    }

    /** A line as the piece is, without any piece yet. */
    private static OrderLine beside(CustomerOrder order, OrderLine line, OrderLine as) {
        Orders.ReadLine read = as.read();
        OrderLine made = Orders.addLine(
                order, as.read().with(0).with(line.matching()).with(line.note()).numbered(order.nextNumber()));
        made.insteadOf(line.pricedAs());
        return made;
    }

    /** All that is made of an order is for the shelf, or for whoever ordered it. */
    @Transactional
    public void forShelf(long id, boolean shelf) {
        CustomerOrder order = locks.hold(id);
        if (order.forShelf() != shelf) {
            order.forShelf(shelf);
            history.note(id, shelf ? What.FOR_SHELF : What.FOR_CUSTOMER, Map.of());
            standing.refresh(List.of(id));
        }
    }
}
