package dev.restis.app.finished;

import dev.restis.app.orders.OrderPieces;
import dev.restis.app.orders.ShelvedPieces;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.work.PieceAct;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Counting what lies on the shelf: each piece is seen, or said to be missing. Nothing is begun or ended, so that several may count at once and
 * go on tomorrow; how far it is is told by when each piece was seen.
 */
@Service
class ShelfCount {

    private static final int LONGEST_REASON = 400;

    private final EntityManager entities;
    private final ShelfReads reads;
    private final OrderPieces orders;
    private final ShelvedPieces shelved;
    private final Pieces pieces;
    private final Clock clock;

    ShelfCount(
            EntityManager entities,
            ShelfReads reads,
            OrderPieces orders,
            ShelvedPieces shelved,
            Pieces pieces,
            Clock clock) {
        this.entities = entities;
        this.reads = reads;
        this.orders = orders;
        this.shelved = shelved;
        this.pieces = pieces;
        this.clock = clock;
    }

    /**
     * Somebody saw it there, or did not after all.
     *
     * @throws Conflict when by the books it lies elsewhere
     */
    @Transactional
    public void seen(long piece, boolean there) {
        hold(piece);
        ShelfSeen before = entities.find(ShelfSeen.class, piece);
        if (!there) {
            if (before != null) {
                entities.remove(before);
            }
        } else if (before != null) {
            before.again(clock.instant(), Workshop.whoever());
        } else {
            entities.persist(new ShelfSeen(piece, clock.instant(), Workshop.whoever()));
        }
    }

    /**
     * It is not there: it is given up with what it cost, and nothing is made in its place. Found later, that is taken back.
     *
     * @param why a reason that is kept with the piece
     */
    @Transactional
    public void missing(long piece, @Nullable String why) {
        String reason = Texts.given(why).orElseThrow(() -> new Rejected(Fault.of("reason", "missing")));
        if (reason.length() > LONGEST_REASON) {
            throw new Rejected(Fault.of("reason", "tooLong", LONGEST_REASON));
        }
        hold(piece);
        shelved.waitedForByNobody(piece);
        pieces.act(PieceAct.GIVE_UP, List.of(piece), reason);
    }

    private void hold(long piece) {
        orders.hold(List.of(piece));
        if (!reads.one(piece).there()) {
            throw new Conflict("shelf.gone");
        }
    }
}
