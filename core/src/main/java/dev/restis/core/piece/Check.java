package dev.restis.core.piece;

import dev.restis.core.measure.Length;
import java.util.Map;
import java.util.Optional;

/**
 * One check made before anything is cut.
 *
 * @param code what was checked, key of its words and of its remedy
 * @param verdict the outcome
 * @param part the hardware slot that another choice would mend; empty where none would
 * @param lengths the lengths behind it, by name
 * @param numbers other figures behind it, by name
 */
public record Check(
        String code, Verdict verdict, String part, Map<String, Length> lengths, Map<String, Double> numbers) {

    /** The check that something around the neck comes open by itself. The owner may take the piece all the same. */
    public static final String BREAKAWAY = "breakaway";

    /** How a check came out, from best to worst. */
    public enum Verdict {
        GOOD,
        UNKNOWN,
        TIGHT,
        NO
    }

    public Check {
        lengths = Map.copyOf(lengths);
        numbers = Map.copyOf(numbers);
    }

    /**
     * The check that the owner may take though it says no, by its name; nothing for one that nobody may take.
     *
     * @param wearer what is not safe for a child stays a no
     */
    public Optional<String> acceptable(Wearer wearer) {
        boolean may = verdict == Verdict.NO && code.startsWith(BREAKAWAY + ".") && wearer == Wearer.ADULT;
        return may ? Optional.of(BREAKAWAY) : Optional.empty();
    }

    static Check of(String code, Verdict verdict, Map<String, Length> lengths) {
        return new Check(code, verdict, "", lengths, Map.of());
    }
}
