package dev.restis.core.piece;

import dev.restis.core.learning.Load;
import dev.restis.core.learning.Share;
import dev.restis.core.learning.Use;
import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Stitch;
import java.util.List;
import java.util.Optional;

/**
 * What is expected of what is measured of a piece, for whoever ties it. The piece must be worked out by geometry alone, because what
 * was learned acts on these.
 */
public final class Expected {

    /** What setting a bench up takes, in seconds, until it is learned. */
    private static final double SET_UP = 480;

    private Expected() {}

    /** The cord that a strand takes, in millimetres; empty when the piece has no such strand, or nothing of it is tied. */
    public static Optional<Use> ofStrand(WorkedPiece piece, String role, int number) {
        return strand(piece, role, number)
                .map(WorkedStrand::use)
                .filter(use -> !use.shares().isEmpty());
    }

    /** How long a strand is cut. */
    public static Optional<Length> cut(WorkedPiece piece, String role, int number) {
        return strand(piece, role, number).map(WorkedStrand::cutLength);
    }

    private static Optional<WorkedStrand> strand(WorkedPiece piece, String role, int number) {
        return piece.strands().stream()
                .filter(s -> s.role().equals(role) && s.number() == number)
                .findFirst();
    }

    /** How long so many repeats of a stitch come out, in millimetres; empty when the piece has no body of it. */
    public static Optional<Use> ofLength(WorkedPiece piece, String stitch, double repeats) {
        Parts parts = new Parts(piece.request());
        return piece.fit().bodies().stream()
                .filter(b -> b.section().stitch().code().equals(stitch))
                .findFirst()
                .map(body -> {
                    Stitch tied = body.section().stitch();
                    List<Load> loads = Ways.pitch(
                            tied,
                            parts.tiedIn(body.section()),
                            body.gauge(),
                            piece.request().house().learned().maker());
                    double expected = repeats * tied.pitch(body.gauge()).toMillimetres();
                    return new Use(Ways.feature(tied), 0, List.of(new Share(expected, loads)));
                });
    }

    /** What a share of a kind of work takes, in seconds; empty when the piece has none of it. */
    public static Optional<Use> ofWork(WorkedPiece piece, String work, double share) {
        double all = MakingTime.works(piece).getOrDefault(work, 0.0);
        return all > 0
                ? Optional.of(timed(
                        work, all * share, piece.request().house().learned().maker()))
                : Optional.empty();
    }

    /** What setting the bench up takes, in seconds. */
    public static Use ofSetUp(Optional<String> maker) {
        return timed(MakingTime.SET_UP, SET_UP, maker);
    }

    private static Use timed(String work, double seconds, Optional<String> maker) {
        List<Load> loads = Ways.time(work, maker);
        return new Use("work " + work, 0, List.of(new Share(seconds, loads)));
    }
}
