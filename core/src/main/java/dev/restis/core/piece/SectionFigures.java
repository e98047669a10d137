package dev.restis.core.piece;

import dev.restis.core.fit.EyeFit;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.stitch.Seat;
import java.util.List;

/** What each section of a worked-out piece adds to its length and takes of its strands: the same sums, parted by section. */
public final class SectionFigures {

    private final Parts parts;
    private final PieceFit fit;
    private final List<Length> along;

    private SectionFigures(WorkedPiece piece) {
        this.parts = new Parts(piece.request());
        this.fit = piece.fit();
        this.along = new FitWorker(parts).along(fit);
    }

    public static SectionFigures of(WorkedPiece piece) {
        return new SectionFigures(piece);
    }

    /**
     * How far a section goes along the measured length; zero for what hangs beside it.
     *
     * @param section its place in the pattern's list
     */
    public Length along(int section) {
        return along.get(section);
    }

    /** How long ears stand that legs fold over into; zero without. */
    public Length ears() {
        boolean ears = parts.pattern.turns(Course.Turn.Ear.class);
        return ears ? parts.eye().map(EyeFit::inside).orElse(Length.ZERO) : Length.ZERO;
    }

    /**
     * What a leg takes: a sum for each of the pattern's sections, in their order, then one for its turns and one for its ends.
     *
     * @param leg which of the role's legs; a straight strand has one, with both of its ends
     */
    public List<Sum> uses(Role role, int leg) {
        return LegWorker.bySection(parts, fit, role, leg);
    }

    /** Strands that lie side by side in a sliding closure on either of its sides. */
    public int tailsPerSide(List<Seat> tails) {
        return parts.tailsPerSide(tails);
    }

    /** Hitches on either side of the buttonhole; 0 without one. */
    public int buttonholeHitches() {
        return parts.pattern
                .first(Section.Buttonhole.class)
                .flatMap(hole ->
                        fit.eye().map(eye -> eye.hitches(hole.hitch().pitch(FitWorker.buttonholeGauge(parts, hole)))))
                .orElse(0);
    }
}
