package dev.restis.core.fit;

import dev.restis.core.measure.Length;

/** How loosely a band is worn: finished inner circumference minus wrist. */
public enum Ease {
    SNUG(5),
    COMFORTABLE(12),
    LOOSE(22);

    private final Length length;

    Ease(long millimetres) {
        this.length = Length.ofMillimetres(millimetres);
    }

    public Length length() {
        return length;
    }
}
