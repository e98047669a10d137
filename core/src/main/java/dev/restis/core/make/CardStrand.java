package dev.restis.core.make;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.piece.Mark;
import dev.restis.core.piece.WorkedStrand;
import java.util.Optional;

/**
 * A strand on a card.
 *
 * @param letter what it is labelled with, A for the first
 * @param role its role's code
 * @param number which of its role, from 1
 * @param slot which of the pattern's cords
 * @param cut how long it is cut
 * @param mark where to mark it
 * @param used what the piece should take of it
 * @param straight how much of that no hand changes
 * @param hold what hands need to hold it by, at all ends together
 * @param finish what its ends need to be finished, all together
 * @param ends how many ends of it are trimmed; 0 in a kit
 */
public record CardStrand(
        String letter,
        String role,
        int number,
        int slot,
        Length cut,
        Optional<Mark> mark,
        Length used,
        Length straight,
        Length hold,
        Length finish,
        int ends) {

    static CardStrand of(int index, WorkedStrand worked) {
        Length straight = Length.ZERO;
        Length hold = Length.ZERO;
        Length finish = Length.ZERO;
        for (Sum.Term term : worked.sum().terms()) {
            if (term.code().equals("tail.hand")) {
                hold = hold.plus(term.total());
            } else if (term.code().startsWith("tail.")) {
                finish = finish.plus(term.total());
            } else if (term.spread() == 0
                    && !term.code().startsWith("margin")
                    && !term.code().equals("rounding")) {
                straight = straight.plus(term.total());
            }
        }
        return new CardStrand(
                letter(index),
                worked.role(),
                worked.number(),
                worked.slot(),
                worked.cutLength(),
                worked.mark(),
                worked.used(),
                straight,
                hold,
                finish,
                worked.ends());
    }

    /** The same strand, as long as what is there of it. */
    CardStrand cutTo(Length there) {
        return new CardStrand(letter, role, number, slot, there, Optional.empty(), used, straight, hold, finish, ends);
    }

    private static final int LETTERS = 26;

    /** A to Z, then AA, AB and on. */
    static String letter(int index) {
        String last = String.valueOf((char) ('A' + index % LETTERS));
        return index < LETTERS ? last : letter(index / LETTERS - 1) + last;
    }
}
