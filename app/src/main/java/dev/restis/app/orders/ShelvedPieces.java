package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.platform.Problems.NotFound;
import jakarta.persistence.EntityManager;
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

    /** A piece stays with the house, or goes with its order again; whoever says so holds its order. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void shelve(long id, boolean stays) {
        Piece piece = entities.find(Piece.class, id);
        if (piece == null) {
            throw new NotFound("notFound");
        }
        piece.shelve(stays);
        long order = piece.line().order().id();
        history.note(order, stays ? What.SHELVED : What.TAKEN_BACK, Map.of("pieces", 1));
        standing.refresh(List.of(order));
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
