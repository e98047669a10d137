package dev.restis.core.fit;

import dev.restis.core.measure.Length;

/**
 * An eye that closes over a stopper: flat inside length = pi*D/2 times a grip factor, 0.92 for cord that gives and 1.0
 * for stiff cord; shorter does not go on, longer comes off.
 *
 * @param inside the eye's inside length, flat
 * @param stopper the stopper's diameter D
 * @param ideal the inside length that the rule asks for
 */
public record EyeFit(Length inside, Length stopper, Length ideal) {

    private static final double SOFT_GRIP = 0.92;
    private static final double STIFF_GRIP = 1.0;
    /** An eye may be this much longer than asked before the stopper slips back through it. */
    private static final double LOOSE = 1.18;

    /** The eye that a stopper asks for. */
    public static EyeFit madeFor(Length stopper, boolean stiff) {
        Length ideal = stopper.times(Math.PI / 2 * (stiff ? STIFF_GRIP : SOFT_GRIP));
        return new EyeFit(ideal, stopper, ideal);
    }

    /** The same eye made of whole hitches, rounded up. */
    public EyeFit inWholeHitches(Length pitch) {
        return new EyeFit(pitch.times((long) hitches(pitch)), stopper, ideal);
    }

    /** How many hitches of {@code pitch} line one leg. */
    public int hitches(Length pitch) {
        return (int) -Math.floorDiv(-ideal.micrometres(), pitch.micrometres());
    }

    public boolean holds() {
        return !ideal.times(LOOSE).isLessThan(inside);
    }
}
