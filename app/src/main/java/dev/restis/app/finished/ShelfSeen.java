package dev.restis.app.finished;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;

/** When somebody last saw a piece on the shelf. */
@Entity
@SuppressWarnings("NullAway.Init")
class ShelfSeen {

    @Id
    private long pieceId;

    @Version
    private int version;

    private Instant at;
    private String who;

    protected ShelfSeen() {}

    ShelfSeen(long piece, Instant now, String by) {
        pieceId = piece;
        again(now, by);
    }

    final void again(Instant now, String by) {
        at = now;
        who = by;
    }
}
