package dev.restis.core.pattern;

import dev.restis.core.cord.Hardware;

/**
 * A part that a pattern takes.
 *
 * @param code what it is for, the key of its name
 * @param usual the kind, and the measures it is reckoned with until one is chosen
 * @param optional whether the piece can be made without it
 * @param chosenCount most of it when the maker says how many; 0 when the pattern says it
 */
public record HardwareSlot(String code, Hardware usual, boolean optional, int chosenCount) {

    public static HardwareSlot needed(String code, Hardware usual) {
        return new HardwareSlot(code, usual, false, 0);
    }

    /** As many as the maker likes, also none. */
    public static HardwareSlot upTo(int most, String code, Hardware usual) {
        return new HardwareSlot(code, usual, true, most);
    }

    public Hardware.Kind kind() {
        return usual.kind();
    }
}
