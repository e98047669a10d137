package dev.restis.app.orders;

import dev.restis.app.pieces.LivingPiece;
import jakarta.persistence.Entity;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;

/** A piece of a line. */
@Entity
@SuppressWarnings("NullAway.Init")
class Piece extends LivingPiece {

    @ManyToOne
    @JoinColumn(name = "line_id")
    private OrderLine line;

    private int number;

    protected Piece() {}

    Piece(OrderLine line, int number) {
        this.line = line;
        this.number = number;
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
