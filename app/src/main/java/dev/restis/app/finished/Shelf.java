package dev.restis.app.finished;

import dev.restis.app.finished.ShelfReads.ShelfPiece;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.orders.Payments.How;
import dev.restis.app.orders.ShelvedPieces;
import dev.restis.app.pieces.PieceMoved;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What is done with finished pieces that have no order: they are sold, or put there when they came back. */
@Service
public class Shelf {

    /** Why something in the account of the shelf changed. */
    enum ShelfWhat {
        /** For nobody, or for somebody who wants it no more. */
        MADE,
        CAME_BACK,
        /** It was worked on, or its cost was set right. */
        WORK,
        SOLD,
        /** Somebody works on it again, or its order wants it after all. */
        TAKEN,
        LOST
    }

    /** A piece as it was sold. */
    record SaleView(long id, LocalDate soldOn, BigDecimal price, How how, String note, String who) {}

    /** @param price for which it is sold, with its tax */
    public record SaleInput(
            @Nullable String price, How how, @Nullable String note) {}

    private static final int LONGEST_NOTE = 200;
    private static final BigDecimal DEAREST = new BigDecimal("100000");

    private final EntityManager entities;
    private final ShelfReads reads;
    private final OrderPieces orders;
    private final ShelvedPieces shelved;
    private final Pieces pieces;
    private final Workshop workshop;
    private final Clock clock;

    Shelf(
            EntityManager entities,
            ShelfReads reads,
            OrderPieces orders,
            ShelvedPieces shelved,
            Pieces pieces,
            Workshop workshop,
            Clock clock) {
        this.entities = entities;
        this.reads = reads;
        this.orders = orders;
        this.shelved = shelved;
        this.pieces = pieces;
        this.workshop = workshop;
        this.clock = clock;
    }

    /**
     * Sells a piece from the shelf: it is packed, where the house packs, and handed over.
     *
     * @throws Conflict when it lies there no more, or cannot go yet
     */
    @Transactional
    public long sell(long piece, SaleInput typed) {
        List<Fault> faults = new ArrayList<>();
        BigDecimal price = Texts.money(typed.price(), "price", faults);
        if (faults.isEmpty()
                && (price.compareTo(DEAREST) > 0 || price.stripTrailingZeros().scale() > 2)) {
            faults.add(Fault.of("price", "payment.amount", price.toPlainString()));
        }
        String note = Texts.optional(typed.note(), "note", LONGEST_NOTE, faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        orders.hold(List.of(piece));
        there(piece);
        if (workshop.steps().packs() && pieces.stage(piece) != PieceStage.PACKED) {
            pieces.act(PieceAct.PACK, List.of(piece));
        }
        pieces.act(PieceAct.SEND, List.of(piece));
        Sale sale = new Sale(
                piece,
                LocalDate.now(clock),
                price.setScale(2, RoundingMode.UNNECESSARY),
                typed.how(),
                note,
                clock.instant(),
                Workshop.whoever());
        entities.persist(sale);
        entities.flush();
        return sale.id();
    }

    /** It was not sold after all. */
    @Transactional
    public void takeBack(long piece) {
        orders.hold(List.of(piece));
        Sale sale = reads.sale(piece).orElseThrow(() -> new NotFound("notFound"));
        Workshop.mayTakeBack(sale.who());
        pieces.takeBackNewest(PieceAct.SEND, List.of(piece));
    }

    /** What was sold is sold no more, however that was said; what did not come back after all does not stay here either. */
    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void moved(PieceMoved moved) {
        boolean notSent = moved.act() == PieceAct.COME_BACK
                || moved.tookBack().filter(a -> a == PieceAct.SEND).isPresent();
        if (notSent) {
            entities.createQuery(
                            "select s from Sale s where s.pieceId in :pieces and s.withdrawnAt is null", Sale.class)
                    .setParameter("pieces", moved.pieces())
                    .getResultList()
                    .forEach(sale -> sale.withdraw(clock.instant(), Workshop.whoever()));
        } else if (moved.tookBack().filter(a -> a == PieceAct.COME_BACK).isPresent()) {
            shelved.gone(moved.pieces());
        } else if (moved.tookBack().filter(a -> a == PieceAct.GIVE_UP).isPresent()) {
            shelved.found(moved.pieces());
        }
    }

    /**
     * A piece that came back stays with the house: it lies on the shelf, and its order is done without it.
     *
     * @throws Conflict when it did not come back
     */
    @Transactional
    public void keep(long piece) {
        orders.hold(List.of(piece));
        if (!pieces.isBack(piece)) {
            throw new Conflict("shelf.notBack");
        }
        shelved.shelve(piece);
    }

    /** A piece that lies there goes to an order that waits for one like it. */
    @Transactional
    public void give(long piece, long order, long line) {
        there(piece);
        shelved.move(piece, order, line);
    }

    private void there(long piece) {
        ShelfPiece one = reads.one(piece);
        if (!one.there()) {
            throw new Conflict("shelf.gone");
        }
    }
}
