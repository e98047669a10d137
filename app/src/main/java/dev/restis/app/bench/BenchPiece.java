package dev.restis.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A piece that was begun, its card, and how far it is on it. */
@Entity
@Table(name = "bench_piece")
@SuppressWarnings("NullAway.Init")
class BenchPiece {

    @Id
    private long pieceId;

    @Version
    private int version;

    private long cardId;
    private int nextStep;
    private boolean heldUp;
    private @Nullable Long personId;
    private String inHandOf = "";
    private @Nullable Instant takenAt;

    protected BenchPiece() {}

    BenchPiece(long piece, long card) {
        this.pieceId = piece;
        this.cardId = card;
    }

    long piece() {
        return pieceId;
    }

    long card() {
        return cardId;
    }

    int next() {
        return nextStep;
    }

    boolean heldUp() {
        return heldUp;
    }

    /** Whose hands it is in; empty for nobody's. */
    String inHandOf() {
        return inHandOf;
    }

    boolean lies() {
        return takenAt == null;
    }

    void taken(@Nullable Long person, String who, Instant now) {
        personId = person;
        inHandOf = who;
        takenAt = now;
    }

    void laidDown() {
        personId = null;
        inHandOf = "";
        takenAt = null;
    }

    void stands(int next, boolean held) {
        nextStep = next;
        heldUp = held;
    }
}
