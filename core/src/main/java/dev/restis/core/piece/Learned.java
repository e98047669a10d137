package dev.restis.core.piece;

import dev.restis.core.cord.Material;
import dev.restis.core.learning.Beliefs;
import dev.restis.core.learning.Learner;
import dev.restis.core.learning.Load;
import dev.restis.core.learning.Rules;
import dev.restis.core.learning.Tie;
import dev.restis.core.piece.TakeUp.Source;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.List;
import java.util.Optional;

/**
 * What swatches and the bench have said of cord, of lengths and of minutes.
 *
 * @param cord of what strands use
 * @param pitch of how long bodies come out
 * @param time of what work takes
 * @param maker whoever will tie, where that is known
 */
public record Learned(Beliefs cord, Beliefs pitch, Beliefs time, Optional<String> maker) {

    /** Geometry alone. */
    public static final Learned NOTHING = new Learned(
            Beliefs.none(Rules.CORD), Beliefs.none(Rules.PITCH), Beliefs.none(Rules.TIME), Optional.empty());

    /**
     * From swatches alone.
     *
     * @param swatches in the order in which they were tied
     */
    public static Learned from(List<Swatch> swatches, Optional<String> maker) {
        Learner cord = new Learner(Rules.CORD);
        Learner pitch = new Learner(Rules.PITCH);
        for (int number = 0; number < swatches.size(); number++) {
            cord.fold(swatches.get(number).ofCord(number, 0));
            pitch.fold(swatches.get(number).ofPitch(number, 0));
        }
        return new Learned(cord.beliefs(), pitch.beliefs(), Beliefs.none(Rules.TIME), maker);
    }

    /** The same for whoever ties. */
    public Learned by(Optional<String> who) {
        return new Learned(cord, pitch, time, who);
    }

    /** Cord that a strand takes in a stitch. */
    Tie tie(Stitch stitch, Seat place, Material material, Gauge gauge) {
        return tie(Ways.of(stitch, place, material, gauge, maker));
    }

    /** Cord that a single knot takes. */
    Tie knot(String kind, Material material) {
        return tie(Ways.knot(kind, material, maker));
    }

    /** What a kind of work takes over its starting value. */
    public double pace(String work) {
        return StrictMath.exp(time.mean(Ways.time(work, maker)));
    }

    /** How far what one piece takes lies from the next by the same hand, relative: one standard deviation. */
    public double betweenPieces(Stitch stitch) {
        return cord.between(Ways.feature(stitch));
    }

    private Tie tie(List<Load> loads) {
        Beliefs.Factor factor = cord.factor(loads);
        return new Tie(loads, StrictMath.exp(factor.mean()), factor.spread());
    }

    /** What a repeat of a stitch makes and takes. */
    public TakeUp takeUp(Stitch stitch, Material material, Gauge gauge) {
        Tie working = tie(stitch, Seat.WORKING, material, gauge);
        double pitchRatio = StrictMath.exp(
                pitch.factor(Ways.pitch(stitch, material, gauge, maker)).mean());
        return new TakeUp(source(stitch), working.spread(), pitchRatio, working.factor());
    }

    private Source source(Stitch stitch) {
        Beliefs.Seen seen = cord.seen(Ways.feature(stitch));
        return seen.pieces() > 0 ? Source.LEARNED : seen.samples() > 0 ? Source.SWATCH : Source.GEOMETRY;
    }
}
