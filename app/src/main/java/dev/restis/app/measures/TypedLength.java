package dev.restis.app.measures;

import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Lengths as they are typed into measures. */
final class TypedLength {

    private TypedLength() {}

    static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }

    /** Between two lengths; what is missing, unread or beyond them is a fault of its field. */
    static Length read(
            String field, @Nullable String text, UnitSystem units, Length least, Length most, List<Fault> faults) {
        Optional<String> given = Texts.given(text);
        if (given.isEmpty()) {
            faults.add(Fault.of(field, "missing"));
            return Length.ZERO;
        }
        Optional<Length> length = LengthReader.read(given.get(), units);
        if (length.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", given.get()));
            return Length.ZERO;
        }
        if (length.get().isLessThan(least) || most.isLessThan(length.get())) {
            faults.add(Fault.of(field, "length.range", length.get(), least, most));
        }
        return length.get();
    }
}
