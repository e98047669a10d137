package dev.restis.core.batch;

import java.util.ArrayList;
import java.util.List;

/** Reads batches off a maker's line: what is tied one after the other on a day while nothing but spools is changed. */
public final class Blocks {

    /**
     * A parcel in a line.
     *
     * @param group what lies on the bench but for the spools
     * @param from the day on which it begins
     * @param seconds that it takes on each day from {@code from} on
     * @param apart whether it begins a batch of its own although it could go on with the last
     */
    public record Tied(String group, int pieces, int from, List<Integer> seconds, int setUp, boolean apart) {}

    /**
     * A batch of one day; what runs over a night is of both days.
     *
     * @param first place in the line of its first parcel
     * @param last place in the line of its last
     * @param pieces that are done in it, at an even pace; none of a piece that runs over the night until it is
     * @param seconds that it takes on this day
     * @param setUp of these, for setting up
     */
    public record Block(int day, int first, int last, int pieces, int seconds, int setUp) {}

    private final List<Block> blocks = new ArrayList<>();
    private String group = "";
    private int day = -1;
    private int first;
    private int last;
    private int pieces;
    private int begun;
    private int seconds;
    private int setUp;

    private Blocks() {}

    /** In the order in which they are tied. */
    public static List<Block> of(List<Tied> line) {
        Blocks blocks = new Blocks();
        for (int i = 0; i < line.size(); i++) {
            Tied tied = line.get(i);
            for (int d = 0; d < tied.seconds().size(); d++) {
                if (tied.seconds().get(d) > 0) {
                    blocks.add(i, tied, d);
                }
            }
        }
        blocks.close();
        return blocks.blocks;
    }

    private void add(int place, Tied tied, int later) {
        int starting = later == 0 ? tied.pieces() : 0;
        boolean another = day != tied.from() + later
                || !group.equals(tied.group())
                || later == 0 && tied.apart()
                || begun + starting > PlanWork.BATCH_PIECES
                || seconds + tied.seconds().get(later) > PlanWork.BATCH_SECONDS;
        if (another) {
            close();
            day = tied.from() + later;
            group = tied.group();
            first = place;
        }
        last = place;
        begun += starting;
        pieces += done(tied, later) - done(tied, later - 1);
        seconds += tied.seconds().get(later);
        setUp += later == 0 ? tied.setUp() : 0;
    }

    /** Pieces that are done by the evening of a day. */
    private static int done(Tied tied, int day) {
        long whole = tied.seconds().stream().mapToLong(Integer::longValue).sum() - tied.setUp();
        long through = tied.seconds().stream()
                        .limit(day + 1L)
                        .mapToLong(Integer::longValue)
                        .sum()
                - tied.setUp();
        return whole <= 0 ? tied.pieces() : (int) Math.max(0, tied.pieces() * through / whole);
    }

    private void close() {
        if (day >= 0) {
            blocks.add(new Block(day, first, last, pieces, seconds, setUp));
        }
        day = -1;
        pieces = 0;
        begun = 0;
        seconds = 0;
        setUp = 0;
    }
}
