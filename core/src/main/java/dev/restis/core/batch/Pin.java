package dev.restis.core.batch;

/**
 * Work that is fixed: it takes the end of a maker's day, and what it needs lies on the bench next morning.
 *
 * @param maker place in the list of makers
 * @param day counted from the first of the plan
 * @param bench what it is tied on
 * @param seconds that it takes, with its dearest possible set-up
 */
public record Pin(int maker, int day, Bench bench, int seconds) {

    public Pin {
        if (maker < 0 || day < 0 || seconds < 0) {
            throw new IllegalArgumentException(
                    "maker, day and seconds must not be negative but were " + maker + ", " + day + " and " + seconds);
        }
    }
}
