package dev.restis.app.bench;

import dev.restis.core.make.Walk;
import dev.restis.core.make.WorkCard;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
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
    /** The step it began with, and the act since which it goes by its card; 0 but for a piece that was made before in another size. */
    private int firstStep;

    private long cardSince;
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

    /** Goes on by another card. */
    void goesOn(long card, int from, long since) {
        cardId = card;
        firstStep = from;
        cardSince = since;
        stands(from, false);
    }

    /** Whether it is being made, or was, in another size than it was begun in. */
    boolean resized() {
        return cardSince > 0;
    }

    /** How far it is, by its acts on its card. */
    Walk walk(WorkCard card, boolean reminders, List<BenchActRow> all) {
        return Walk.of(
                card,
                reminders,
                firstStep,
                onCard(all).stream().flatMap(a -> a.walks().stream()).toList());
    }

    /** Of its acts those on its card. */
    List<BenchActRow> onCard(List<BenchActRow> all) {
        return all.stream().filter(a -> a.id() > cardSince).toList();
    }

    void stands(int next, boolean held) {
        nextStep = next;
        heldUp = held;
    }
}
