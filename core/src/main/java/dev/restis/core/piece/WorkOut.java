package dev.restis.core.piece;

import dev.restis.core.measure.Fault;
import java.util.List;
import java.util.function.Function;

/** The outcome of working a piece out. */
public sealed interface WorkOut {

    <T> T fold(Function<WorkedPiece, T> worked, Function<List<Fault>, T> refused);

    /** It can be made. */
    record Worked(WorkedPiece piece) implements WorkOut {
        @Override
        public <T> T fold(Function<WorkedPiece, T> worked, Function<List<Fault>, T> refused) {
            return worked.apply(piece);
        }
    }

    /** It cannot, for all of these reasons. */
    record Refused(List<Fault> faults) implements WorkOut {
        public Refused {
            faults = List.copyOf(faults);
        }

        @Override
        public <T> T fold(Function<WorkedPiece, T> worked, Function<List<Fault>, T> refused) {
            return refused.apply(faults);
        }
    }
}
