package dev.restis.app.orders;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

@Entity
@SuppressWarnings("NullAway.Init")
class Piece {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "piece_number", allocationSize = 50)
    private long id;

    @Version
    private int version;

    @ManyToOne
    @JoinColumn(name = "line_id")
    private OrderLine line;

    private int number;

    private @Nullable Long batchId;

    private @Nullable Instant cutAt;

    private @Nullable Instant madeAt;

    private @Nullable Instant dispatchedAt;

    protected Piece() {}

    Piece(OrderLine line, int number) {
        this.line = line;
        this.number = number;
    }

    long id() {
        return id;
    }

    OrderLine line() {
        return line;
    }

    boolean open() {
        return batchId == null;
    }

    boolean cut() {
        return cutAt != null;
    }

    boolean made() {
        return madeAt != null;
    }

    boolean dispatched() {
        return dispatchedAt != null;
    }

    /** Made at that moment, or not after all. */
    void madeAt(@Nullable Instant when) {
        madeAt = when;
    }

    void dispatchedAt(Instant when) {
        dispatchedAt = when;
    }

    int number() {
        return number;
    }

    void putIn(long batch) {
        batchId = batch;
    }

    void moveTo(OrderLine other, int newNumber) {
        line = other;
        number = newNumber;
    }

    /** Open again; what was cut for it serves others. */
    void release() {
        batchId = null;
        cutAt = null;
    }

    void cutAt(@Nullable Instant when) {
        cutAt = when;
    }
}
