package dev.restis.core.stock;

/**
 * Whether what lies on the shelves is enough for pieces that are alike. Strands of one article in a piece come from one
 * lot, because lots differ in shade; so do all pieces of a matching set.
 */
public enum Sufficiency {
    /** One lot has enough for everything. */
    ENOUGH,
    /** There is enough, but pieces will differ in their lots. */
    SEVERAL_LOTS,
    /** There is enough for all, but no lot has enough for one piece. */
    NO_LOT_FOR_A_PIECE,
    /** There is enough for all, but no lot has enough for the whole set. */
    NO_LOT_FOR_THE_SET,
    /** There is not enough. */
    SHORT;

    /**
     * What is there of one article.
     *
     * @param free what may still be taken, micrometres or pieces
     * @param bestLot the most of it that is of one lot
     */
    public record Supply(long free, long bestLot) {}

    /**
     * Judges one article.
     *
     * @param each what one piece takes
     * @param quantity how many pieces
     * @param set whether all pieces must match
     */
    public static Sufficiency of(long each, int quantity, boolean set, Supply supply) {
        long all = Math.multiplyExact(each, (long) quantity);
        if (supply.free() < all) {
            return SHORT;
        }
        if (supply.bestLot() < each) {
            return NO_LOT_FOR_A_PIECE;
        }
        if (supply.bestLot() < all) {
            return set ? NO_LOT_FOR_THE_SET : SEVERAL_LOTS;
        }
        return ENOUGH;
    }
}
