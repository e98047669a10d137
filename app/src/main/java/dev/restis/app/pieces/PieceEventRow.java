package dev.restis.app.pieces;

import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceEvent;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalLong;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** One act on one piece; never rewritten. */
@Entity
@Immutable
@Table(name = "piece_event")
@SuppressWarnings("NullAway.Init")
class PieceEventRow {

    /** What is kept of an act beside the piece and who did it. */
    record Particulars(
            @Nullable Long batch,
            @Nullable Instant dryUntil,
            @Nullable Long takesBack,
            String reason) {}

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    // One by one: numbers taken in advance would not follow the order in which several instances act on the same piece.
    @SequenceGenerator(sequenceName = "piece_event_number", allocationSize = 1)
    private long id;

    private long pieceId;

    @Enumerated(EnumType.STRING)
    private PieceAct act;

    private Instant at;
    private @Nullable Long personId;
    private String who;
    private @Nullable Long batchId;
    private @Nullable Instant dryUntil;
    private @Nullable Long takesBack;
    private String reason;

    protected PieceEventRow() {}

    PieceEventRow(long piece, PieceAct act, Instant at, @Nullable Long person, String who, Particulars particulars) {
        this.pieceId = piece;
        this.act = act;
        this.at = at;
        this.personId = person;
        this.who = who;
        this.batchId = particulars.batch();
        this.dryUntil = particulars.dryUntil();
        this.takesBack = particulars.takesBack();
        this.reason = particulars.reason();
    }

    long id() {
        return id;
    }

    long piece() {
        return pieceId;
    }

    PieceEvent event() {
        return new PieceEvent(
                id,
                act,
                at,
                who,
                Optional.ofNullable(dryUntil),
                takesBack == null ? OptionalLong.empty() : OptionalLong.of(takesBack),
                reason);
    }
}
