package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.NotFound;
import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Pieces that become another size after they were made. */
@Service
public class ResizedPieces {

    private final EntityManager entities;
    private final PieceDesk desk;
    private final Standing standing;
    private final History history;

    ResizedPieces(EntityManager entities, PieceDesk desk, Standing standing, History history) {
        this.entities = entities;
        this.desk = desk;
        this.standing = standing;
        this.history = history;
    }

    /** A piece is of another size from now on, in a line of its own unless it is alone in its line; for the same price. Whoever says so holds its order. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void become(long id, PieceSpec spec) {
        Piece piece = entities.find(Piece.class, id);
        if (piece == null) {
            throw new NotFound("notFound");
        }
        OrderLine own = piece.line();
        CustomerOrder order = own.order();
        ReadLine to = own.read()
                .with(new ReadLine(
                        0, spec, 0, false, "", Orders.Effort.of(desk.sit().workOut(spec))));
        if (own.pieces().equals(List.of(piece))) {
            own.become(to);
        } else {
            OrderLine beside = Orders.addLine(order, to.with(0).numbered(order.nextNumber()));
            beside.insteadOf(own.pricedAs());
            beside.takeOver(List.of(piece));
            // Known before the flush comes to the line that let the piece go, the new line keeps it from being deleted
            // as an orphan.
            entities.persist(beside);
        }
        entities.flush();
        history.note(order.id(), What.RESIZED, Map.of("pieces", 1));
        standing.refresh(List.of(order.id()));
    }
}
