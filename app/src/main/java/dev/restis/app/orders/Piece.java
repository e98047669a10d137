package dev.restis.app.orders;

import dev.restis.app.pieces.LivingPiece;
import jakarta.persistence.Entity;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A piece of a line. */
@Entity
@SuppressWarnings("NullAway.Init")
class Piece extends LivingPiece {

    @ManyToOne
    @JoinColumn(name = "line_id")
    private OrderLine line;

    private int number;

    /** The piece that was given up, in whose place this one is made. */
    @ManyToOne
    @JoinColumn(name = "replaces")
    private @Nullable Piece replaces;

    /** It came back and stays with the house. */
    private boolean shelved;

    protected Piece() {}

    Piece(OrderLine line, int number) {
        this.line = line;
        this.number = number;
    }

    Piece(OrderLine line, int number, Piece replaces) {
        this(line, number);
        this.replaces = replaces;
    }

    Optional<Piece> replaces() {
        return Optional.ofNullable(replaces);
    }

    void shelve(boolean stays) {
        shelved = stays;
    }

    /** Whether it stays with the house. */
    boolean shelved() {
        return shelved;
    }

    /** Whether its order waits for it no more: it is sent, or lies on the shelf for good. */
    boolean gone() {
        return sent() || made() && (shelved || line.order().forShelf());
    }

    OrderLine line() {
        return line;
    }

    int number() {
        return number;
    }

    void moveTo(OrderLine other, int newNumber) {
        line = other;
        number = newNumber;
    }
}
