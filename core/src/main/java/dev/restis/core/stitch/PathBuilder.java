package dev.restis.core.stitch;

import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.stitch.Stitch.Stretch;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Writes a strand's path down stretch by stretch. */
final class PathBuilder {

    private final Seat seat;
    private final List<Stretch> stretches = new ArrayList<>();

    private PathBuilder(Seat seat) {
        this.seat = seat;
    }

    static PathBuilder in(Seat seat) {
        return new PathBuilder(seat);
    }

    PathBuilder does(PathElement element, Waypoint... through) {
        stretches.add(new Stretch(element, List.of(through)));
        return this;
    }

    /** After what it did last the strand lies at rest. */
    PathBuilder rests() {
        Stretch last = stretches.remove(stretches.size() - 1);
        stretches.add(new Stretch(last.element(), last.through(), true));
        return this;
    }

    /** The stretches of another path, with each point moved. */
    PathBuilder follows(StrandPath other, UnaryOperator<Waypoint> moved) {
        for (Stretch stretch : other.stretches()) {
            stretches.add(new Stretch(
                    stretch.element(), stretch.through().stream().map(moved).toList(), stretch.rests()));
        }
        return this;
    }

    StrandPath then(int next) {
        return new StrandPath(seat, stretches, next);
    }
}
