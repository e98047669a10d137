package dev.restis.core.cutting.solver;

import com.google.ortools.Loader;

/** The linear and integer solvers are native code; where it cannot be loaded there is none, and plain plans must do. */
final class NativeSolver {

    private static final boolean THERE = load();

    private NativeSolver() {}

    static boolean there() {
        return THERE;
    }

    private static boolean load() {
        try {
            Loader.loadNativeLibraries();
            return true;
        } catch (LinkageError | RuntimeException e) {
            return false;
        }
    }
}
