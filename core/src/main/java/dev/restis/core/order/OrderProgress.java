package dev.restis.core.order;

/**
 * How far the pieces of an order are. Each count holds those that are further too: what is dispatched was made, what was
 * made was begun, what was begun was cut, what is cut was planned.
 *
 * @param pieces that are wanted
 */
public record OrderProgress(int pieces, int planned, int cut, int begun, int made, int dispatched) {

    public static final OrderProgress NOTHING = new OrderProgress(0, 0, 0, 0, 0, 0);

    public OrderProgress {
        if (pieces < planned || planned < cut || cut < begun || begun < made || made < dispatched || dispatched < 0) {
            throw new IllegalArgumentException(
                    "pieces, planned, cut, begun, made, dispatched must fall from each to the next but were " + pieces
                            + ", " + planned + ", " + cut + ", " + begun + ", " + made + ", " + dispatched);
        }
    }
}
