package dev.restis.core.make;

import dev.restis.core.piece.Caution;
import java.util.List;
import java.util.Optional;

/** What hands do in a step; its words stand in the message files. */
public enum Doing {
    LAY_OUT(StepKind.PREPARE, Tool.RULER),
    SEAL_ENDS(StepKind.PREPARE, Caution.FLAME, Tool.FLAME, Tool.WET_CLOTH),
    POINT_ENDS(StepKind.PREPARE, Tool.SCISSORS, Tool.WAX),
    TAPER_ENDS(StepKind.PREPARE, Tool.SCISSORS),
    STRETCH(StepKind.PREPARE),
    FUSE(StepKind.PREPARE, Caution.FLAME, Tool.FLAME, Tool.WET_CLOTH),
    MARK_MIDDLE(StepKind.PREPARE, Tool.MARKER),
    MARK_FOLD(StepKind.PREPARE, Tool.RULER, Tool.MARKER),
    MARK_FIRST_KNOT(StepKind.PREPARE, Tool.RULER, Tool.MARKER),
    THREAD(StepKind.THREAD, Caution.SMALL_PARTS, Tool.CLIPS),
    BEAD_UP(StepKind.THREAD),
    MOUNT_LARKS_HEAD(StepKind.SET_UP),
    MOUNT_FOLD(StepKind.SET_UP),
    MOUNT_NOOSE_KNOT(StepKind.SET_UP),
    LAY_RUNS(StepKind.SET_UP, Tool.JIG),
    FOLD_EARS(StepKind.SET_UP, Tool.SPACER),
    FORM_EYE(StepKind.SET_UP, Tool.SPACER),
    TIE_NOOSE(StepKind.SET_UP, Tool.FID),
    HOLD_ON_BOARD(StepKind.SET_UP, Tool.BOARD, Tool.CLIPS),
    HOLD_ON_JIG(StepKind.SET_UP, Tool.JIG, Tool.RULER),
    HOLD_IN_HAND(StepKind.SET_UP),
    ATTACH_FIRST(StepKind.SET_UP),
    TIE(StepKind.TIE),
    RUN_PLAIN(StepKind.TIE, Tool.RULER),
    KNOT(StepKind.TIE),
    SET_KNOT(StepKind.TIE),
    PASS(StepKind.GATE),
    LAY_TAILS(StepKind.CLOSE, Tool.RULER, Tool.CLIPS),
    TIE_SLIDER(StepKind.CLOSE),
    TIE_SLIDING_KNOT(StepKind.CLOSE),
    THREAD_SLIDE_BEAD(StepKind.CLOSE, Tool.TWEEZERS),
    TIE_END_STOPS(StepKind.CLOSE, Tool.RULER),
    DRAW_THROUGH_NOOSE(StepKind.CLOSE, Tool.FID),
    TIE_STOP(StepKind.CLOSE),
    SET_STOP(StepKind.CLOSE),
    TIE_BUTTONHOLE(StepKind.CLOSE),
    BRING_AROUND_BAR(StepKind.CLOSE, Tool.FORCEPS),
    ATTACH_LAST(StepKind.CLOSE, Tool.PLIERS),
    TIE_END_BEADS(StepKind.CLOSE),
    SHUT(StepKind.CLOSE),
    DRAW_BACK(StepKind.FINISH, Tool.FID),
    WRAP(StepKind.FINISH),
    CUT_FRINGE(StepKind.FINISH, Tool.SCISSORS, Tool.RULER),
    TRIM_AND_SEAL(StepKind.FINISH, Caution.FLAME, Tool.SCISSORS, Tool.FLAME, Tool.PRESS_TOOL, Tool.WET_CLOTH),
    SEAL_TIPS(StepKind.FINISH, Caution.FLAME, Tool.FLAME, Tool.WET_CLOTH),
    GLUE_ENDS(StepKind.FINISH, Caution.GLUE, Tool.GLUE),
    TRIM_GLUED(StepKind.FINISH, Caution.NO_FLAME, Tool.SCISSORS, Tool.GLUE),
    COUNT_KIT(StepKind.PREPARE),
    BAG_KIT(StepKind.PREPARE),
    INSPECT(StepKind.INSPECT, Tool.RULER);

    private final StepKind kind;
    private final Optional<Caution> caution;
    private final List<Tool> tools;

    Doing(StepKind kind, Tool... tools) {
        this(kind, Optional.empty(), tools);
    }

    Doing(StepKind kind, Caution caution, Tool... tools) {
        this(kind, Optional.of(caution), tools);
    }

    Doing(StepKind kind, Optional<Caution> caution, Tool... tools) {
        this.kind = kind;
        this.caution = caution;
        this.tools = List.of(tools);
    }

    public StepKind kind() {
        return kind;
    }

    /** The caution that belongs to it wherever it is done. */
    Optional<Caution> caution() {
        return caution;
    }

    List<Tool> tools() {
        return tools;
    }

    /** Whether a flame burns, so that nothing may ask for attention. */
    public boolean flame() {
        return tools.contains(Tool.FLAME);
    }
}
