package dev.restis.core.batch.draft;

import dev.restis.core.batch.Parcel;
import java.util.List;

/** Pieces of a lot that stand together; told from others by what it is, not by what it says. */
public final class Part {

    private final Lot lot;
    private final List<Long> pieces;
    private final boolean apart;

    Part(Lot lot, List<Long> pieces, boolean apart) {
        this.lot = lot;
        this.pieces = List.copyOf(pieces);
        this.apart = apart;
    }

    public Lot lot() {
        return lot;
    }

    public List<Long> pieces() {
        return pieces;
    }

    /** As a planner gets it, by a number of whoever asks. */
    Parcel parcel(int id) {
        return new Parcel(id, lot.order(), lot.bench(), pieces.size(), lot.seconds(), lot.release());
    }

    /** Whether it begins a batch of its own although it could go on with the last. */
    public boolean apart() {
        return apart;
    }
}
