package dev.restis.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** A row of the view of what became of pieces: made, worked on again, mended, given up. */
@Entity
@Immutable
@Table(name = "piece_tale")
@SuppressWarnings("NullAway.Init")
class PieceTale {

    /** What became of it. */
    enum Kind {
        FINISH,
        REDO,
        MEND,
        GIVE_UP
    }

    @Id
    private long id;

    private long pieceId;
    private Instant at;

    @Enumerated(EnumType.STRING)
    private Kind kind;

    /** What went wrong where something was mended, by its code; empty otherwise. */
    private String mishap;

    private String reason;
    private String maker;
    /** Codes of the materials of its cords, by a plus. */
    private String material;

    protected PieceTale() {}
}
