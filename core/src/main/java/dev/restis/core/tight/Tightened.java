package dev.restis.core.tight;

import java.util.List;
import java.util.function.Function;

/** The outcome of pulling a path tight. */
public sealed interface Tightened {

    <T> T fold(Function<Held, T> held, Function<Slipped, T> slipped, Function<Crossed, T> crossed);

    /**
     * It holds.
     *
     * @param lines centre line of each strand through one period, evenly spaced points x, y, z
     * @param lengths of each strand through one period
     * @param advance of the period, as it was tightened
     */
    record Held(List<List<double[]>> lines, List<Double> lengths, double advance) implements Tightened {
        @Override
        public <T> T fold(Function<Held, T> held, Function<Slipped, T> slipped, Function<Crossed, T> crossed) {
            return held.apply(this);
        }
    }

    /**
     * It slips apart: a strand that should tie runs straight.
     *
     * @param strand which
     */
    record Slipped(int strand) implements Tightened {
        @Override
        public <T> T fold(Function<Held, T> held, Function<Slipped, T> slipped, Function<Crossed, T> crossed) {
            return slipped.apply(this);
        }
    }

    /**
     * Strands were pressed through each other, so that what came out need not be the path that went in.
     *
     * @param closest least distance over the distance at which cords touch
     * @param overlap mean overlap of touching cords
     */
    record Crossed(double closest, double overlap) implements Tightened {
        @Override
        public <T> T fold(Function<Held, T> held, Function<Slipped, T> slipped, Function<Crossed, T> crossed) {
            return crossed.apply(this);
        }
    }
}
