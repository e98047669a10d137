package dev.restis.core.pattern;

import dev.restis.core.cord.Colour;
import dev.restis.core.cord.Cord;
import dev.restis.core.measure.Length;

/**
 * A cord that a pattern takes.
 *
 * @param code what it is for, the key of its name
 * @param gauge the nominal diameter it is meant for
 * @param colour {@code #RRGGBB} it is shown in until a cord is chosen
 */
public record CordSlot(String code, Length gauge, String colour) {
    public CordSlot {
        if (gauge.isLessThan(Cord.THINNEST) || Cord.THICKEST.isLessThan(gauge)) {
            throw new IllegalArgumentException(
                    "gauge must be " + Cord.THINNEST + " to " + Cord.THICKEST + " but " + code + " has " + gauge);
        }
        if (!Colour.isHex(colour)) {
            throw new IllegalArgumentException("colour must be # and six digits 0 to F but " + code + " has " + colour);
        }
    }
}
