package dev.restis.app.stock;

import dev.restis.core.stock.Movement;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** One movement; written once and never changed. */
@Entity
@Immutable
@Table(name = "ledger")
@SuppressWarnings("NullAway.Init")
class LedgerRow {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    // One by one: numbers taken in advance would not follow the order in which several instances move the same holding.
    @SequenceGenerator(sequenceName = "ledger_number", allocationSize = 1)
    private long id;

    private Instant at;
    private String who;

    @Enumerated(EnumType.STRING)
    private Movement movement;

    private long holdingId;
    private long quantity;
    private BigDecimal value;
    private String reason;

    private @Nullable Long batchId;

    private @Nullable Long pieceId;

    private @Nullable Long strandId;

    private @Nullable Long reverses;

    private @Nullable Long cutStepId;

    protected LedgerRow() {}

    LedgerRow(Instant at, String who, Movement movement, long holdingId, long quantity, BigDecimal value, Cause cause) {
        this.at = at;
        this.who = who;
        this.movement = movement;
        this.holdingId = holdingId;
        this.quantity = quantity;
        this.value = value;
        this.reason = cause.reason();
        this.batchId = cause.batch();
        this.pieceId = cause.piece();
        this.strandId = cause.strand();
        this.reverses = cause.reverses();
        this.cutStepId = cause.cut();
    }

    /**
     * Why something moved.
     *
     * @param reverses the row that is taken back
     * @param cut the step of a cut list that it belongs to
     */
    record Cause(
            String reason,
            @Nullable Long batch,
            @Nullable Long piece,
            @Nullable Long strand,
            @Nullable Long reverses,
            @Nullable Long cut) {

        static Cause of(String reason) {
            return new Cause(reason, null, null, null, null, null);
        }
    }
}
