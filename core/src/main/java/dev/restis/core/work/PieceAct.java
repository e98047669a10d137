package dev.restis.core.work;

import static dev.restis.core.work.PieceStage.CHECKED;
import static dev.restis.core.work.PieceStage.CUTTING;
import static dev.restis.core.work.PieceStage.GIVEN_UP;
import static dev.restis.core.work.PieceStage.MADE;
import static dev.restis.core.work.PieceStage.MAKING;
import static dev.restis.core.work.PieceStage.OPEN;
import static dev.restis.core.work.PieceStage.PACKED;
import static dev.restis.core.work.PieceStage.PLANNED;
import static dev.restis.core.work.PieceStage.SENT;

import java.util.EnumSet;
import java.util.Set;

/** What is done with a piece. Each act moves it to one stage, but for {@link #TAKE_BACK}, after which it stands as before. */
public enum PieceAct {
    /** Puts it in a batch and works out what it needs. */
    PLAN(PLANNED, false, OPEN),
    /** Takes it out of its batch: what is cut of it goes on the shelf. */
    RELEASE(OPEN, false, PLANNED, CUTTING, PieceStage.CUT),
    /** Cuts the first of its strands. */
    CUT_INTO(CUTTING, false, PLANNED),
    /** Cuts the last of them, or finds that none is left to cut. */
    CUT(PieceStage.CUT, false, PLANNED, CUTTING),
    /** Begins to tie it. */
    START(MAKING, true, PieceStage.CUT),
    /** Ends tying it. */
    FINISH(MADE, true, PieceStage.CUT, MAKING),
    /** Inspects it and finds it good. */
    CHECK(CHECKED, true, MADE),
    /** Puts it in its parcel. */
    PACK(PACKED, true, MADE, CHECKED),
    /** Sends it off, or hands it over. */
    SEND(SENT, true, MADE, CHECKED, PACKED),
    /** Finds that it is not good, or not right: it is worked on again. */
    REDO(MAKING, true, MADE, CHECKED, PACKED),
    /** It came back from its customer. */
    COME_BACK(MADE, true, SENT),
    /** It cannot be saved. */
    GIVE_UP(GIVEN_UP, true, PieceStage.CUT, MAKING, MADE, CHECKED, PACKED),
    /** Takes back the newest act that stands. */
    TAKE_BACK(OPEN, false);

    private final PieceStage to;
    private final boolean takenBackAlone;
    private final Set<PieceStage> from;

    PieceAct(PieceStage to, boolean takenBackAlone, PieceStage... from) {
        this.to = to;
        this.takenBackAlone = takenBackAlone;
        this.from = EnumSet.noneOf(PieceStage.class);
        this.from.addAll(Set.of(from));
    }

    /** Where a piece stands after it. */
    PieceStage to() {
        return to;
    }

    /** Whether it is taken back by a row of its own, because nothing but the piece has moved with it. */
    public boolean takenBackAlone() {
        return takenBackAlone;
    }

    /** Whether it is said with a reason, because what went wrong is worth knowing. */
    public boolean asksWhy() {
        return this == GIVE_UP || this == REDO;
    }

    /** Whether it can be done with a piece that stands there, leaving aside what its house wants and what must dry. */
    boolean from(PieceStage stage) {
        return from.contains(stage);
    }
}
