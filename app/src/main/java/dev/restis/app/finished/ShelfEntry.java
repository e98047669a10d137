package dev.restis.app.finished;

import dev.restis.app.finished.Shelf.ShelfWhat;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import java.math.BigDecimal;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** A piece came to the shelf, left it, or costs something else while it lies there; never rewritten. */
@Entity
@Immutable
@SuppressWarnings("NullAway.Init")
class ShelfEntry {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "shelf_number", allocationSize = 1)
    private long id;

    private long pieceId;
    private Instant at;
    private String who;

    @Enumerated(EnumType.STRING)
    private ShelfWhat what;

    private int pieces;
    private BigDecimal value;

    protected ShelfEntry() {}

    ShelfEntry(long piece, Instant at, String who, ShelfWhat what, int pieces, BigDecimal value) {
        this.pieceId = piece;
        this.at = at;
        this.who = who;
        this.what = what;
        this.pieces = pieces;
        this.value = value;
    }
}
