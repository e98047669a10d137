package dev.restis.core.piece;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.Knots;
import dev.restis.core.stitch.Stitches;

/** What a single knot takes and adds; derivations in docs/take-up.md. */
public final class KnotSize {

    private KnotSize() {}

    /**
     * How long a knot stands.
     *
     * @param wraps of a barrel knot
     * @param strands that are tied as one
     * @param d thickest of their worked diameters, millimetres
     */
    public static Length height(KnotKind kind, int wraps, int strands, double d) {
        return switch (kind) {
            case OVERHAND -> Knots.overhandHeight(strands, d);
            case BARREL -> Knots.barrelHeight(wraps, d);
            case CONNECTING -> Knots.connectingHeight(d);
            case SNAKE -> Stitches.SNAKE_KNOT.pitch(new Gauge(d, d, 0, CoreLayout.PACKED));
            case HALF_HITCH -> Knots.halfHitchHeight(d);
            case SIMPLE_STOP -> Knots.simpleStopDiameter(d);
            case BUTTON -> Knots.buttonDiameter(d);
            case REEF -> Knots.reefHeight(d);
        };
    }

    /** Cord that each strand uses beyond the height. */
    public static Length use(KnotKind kind, int wraps, int strands, double d) {
        return switch (kind) {
            case OVERHAND -> Knots.overhand(strands, d);
            case BARREL -> Knots.barrel(wraps, d);
            case CONNECTING -> Knots.connecting(d);
            case SNAKE -> Knots.snake(d).minus(height(kind, wraps, strands, d));
            case HALF_HITCH -> Knots.halfHitch(d);
            case SIMPLE_STOP -> Knots.simpleStop(d);
            case BUTTON -> Knots.button(d);
            case REEF -> Knots.reef(d);
        };
    }
}
