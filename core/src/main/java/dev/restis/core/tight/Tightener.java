package dev.restis.core.tight;

import dev.restis.core.tight.Tightened.Crossed;
import dev.restis.core.tight.Tightened.Held;
import dev.restis.core.tight.Tightened.Slipped;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleConsumer;

/**
 * Pulls a rough path tight: the shortest strands of round, hard cord that do not overlap and do not bend sharper than half
 * their diameter. The path is refined in stages while the penalty for overlaps grows. Deterministic; a stitch takes
 * some thousand evaluations, about a second.
 */
public final class Tightener {

    private static final double SEGMENT = 0.2;
    private static final double[] COARSENESS = {2, 1.5, 1, 1};
    private static final double[] STIFFNESS = {800, 1200, 2000, 4000};
    private static final int EVALUATIONS = 1500;
    private static final double LONGEST_STEP = 0.1;
    private static final double LEAST_CLEARANCE = 0.3;
    private static final double MOST_OVERLAP = 0.03;
    /** A strand that is no longer than this over its way through the period ties nothing. */
    private static final double STRAIGHT = 1.01;

    private Tightener() {}

    public static Tightened tighten(Cell cell) {
        return tighten(cell, share -> {});
    }

    /**
     * @param progress told the share that is done, 0 to 1, after each stage
     */
    public static Tightened tighten(Cell cell, DoubleConsumer progress) {
        double d = cell.strands().stream()
                .filter(s -> s.weight() <= 1)
                .mapToDouble(Cell.Strand::diameter)
                .min()
                .orElse(1);
        Rope rope = Rope.of(cell, COARSENESS[0] * SEGMENT * d);
        Tension tension = new Tension(rope, STIFFNESS[0], COARSENESS[0] * SEGMENT * d);
        for (int stage = 0; stage < STIFFNESS.length; stage++) {
            double segment = COARSENESS[stage] * SEGMENT * d;
            rope = rope.inSegmentsOf(segment);
            tension = new Tension(rope, STIFFNESS[stage], segment);
            new Descent(tension, LONGEST_STEP * d).run(rope.nodes, EVALUATIONS);
            if (stage > 0 && tension.closest() < LEAST_CLEARANCE) {
                return new Crossed(tension.closest(), tension.overlap());
            }
            progress.accept((stage + 1.0) / STIFFNESS.length);
        }
        if (tension.overlap() > MOST_OVERLAP) {
            return new Crossed(tension.closest(), tension.overlap());
        }
        List<Cell.Strand> pulled = new ArrayList<>();
        for (int s = 0; s < cell.strands().size(); s++) {
            Cell.Strand strand = cell.strands().get(s);
            pulled.add(new Cell.Strand(rope.lines().get(s), strand.diameter(), strand.weight(), strand.next()));
        }
        Cell tight = new Cell(pulled, cell.advance(), cell.turn(), cell.mirrored());
        return Arrays.deepEquals(Crossings.signed(cell), Crossings.signed(tight))
                ? judged(cell, rope)
                : new Crossed(tension.closest(), tension.overlap());
    }

    private static Tightened judged(Cell cell, Rope rope) {
        List<List<double[]>> lines = rope.lines();
        List<Double> lengths = new ArrayList<>();
        for (int s = 0; s < lines.size(); s++) {
            List<double[]> line = new ArrayList<>(lines.get(s));
            line.add(Rope.screwed(lines.get(cell.strands().get(s).next()).get(0), cell.closed() ? 0 : 1, cell));
            double length = 0;
            for (int i = 1; i < line.size(); i++) {
                length += Rope.distance(line.get(i - 1), line.get(i));
            }
            lengths.add(length);
        }
        for (int s = 0; s < lines.size(); s++) {
            if (cell.strands().get(s).weight() <= 1 && runsStraight(cell, lengths, s)) {
                return new Slipped(s);
            }
        }
        return new Held(lines, lengths, cell.advance());
    }

    /** Over all periods in which the strand takes other strands' places, for it may rest in some of them. */
    private static boolean runsStraight(Cell cell, List<Double> lengths, int strand) {
        if (cell.closed()) {
            return lengths.get(strand) < 2 * cell.strands().get(strand).diameter();
        }
        double length = 0;
        double way = 0;
        int at = strand;
        do {
            length += lengths.get(at);
            way += cell.advance();
            at = cell.strands().get(at).next();
        } while (at != strand);
        return length < STRAIGHT * way;
    }
}
