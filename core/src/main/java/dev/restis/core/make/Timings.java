package dev.restis.core.make;

import dev.restis.core.measure.Length;
import dev.restis.core.piece.MakingTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What was timed and measured of a piece on its way over its card, by kinds of work and by stitches. */
public final class Timings {

    /**
     * A step that was timed.
     *
     * @param step its place on the card
     * @param interrupted whether the piece was laid down meanwhile, so that the time is at most so much
     */
    public record Timed(int step, long seconds, boolean interrupted) {}

    /**
     * What a kind of work took.
     *
     * @param work as {@link MakingTime} names it
     * @param share how much of that work was timed, 0 to 1
     */
    public record Took(String work, long seconds, double share, boolean interrupted) {}

    /**
     * How long a stitch came out.
     *
     * @param repeats that were measured
     * @param length of these, without beads
     */
    public record Grown(String stitch, int repeats, Length length) {}

    private Timings() {}

    /** By kind of work, what of it was timed; steps that were timed twice count with both. */
    public static List<Took> took(WorkCard card, List<Timed> timed) {
        Map<String, Double> whole = new LinkedHashMap<>();
        for (CardStep step : card.steps()) {
            work(step).ifPresent(w -> whole.merge(w, (double) step.time().toSeconds(), Double::sum));
        }
        Map<String, List<Timed>> byWork = new LinkedHashMap<>();
        for (Timed one : timed) {
            if (one.step() < card.steps().size() && one.seconds() > 0) {
                work(card.steps().get(one.step()))
                        .ifPresent(w -> byWork.computeIfAbsent(w, k -> new ArrayList<>())
                                .add(one));
            }
        }
        List<Took> took = new ArrayList<>();
        byWork.forEach((work, some) -> {
            double expected = some.stream()
                    .mapToInt(Timed::step)
                    .distinct()
                    .mapToDouble(s -> card.steps().get(s).time().toSeconds())
                    .sum();
            if (expected > 0) {
                took.add(new Took(
                        work,
                        some.stream().mapToLong(Timed::seconds).sum(),
                        expected / whole.getOrDefault(work, expected),
                        some.stream().anyMatch(Timed::interrupted)));
            }
        });
        return took;
    }

    private static Optional<String> work(CardStep step) {
        return switch (step.kind()) {
            case PREPARE, THREAD, SET_UP -> Optional.of(MakingTime.PREPARE);
            case TIE -> Optional.of(step.stitch().map(MakingTime::tying).orElse(MakingTime.KNOTS));
            case CLOSE -> Optional.of(MakingTime.CLOSE);
            case FINISH, INSPECT -> Optional.of(MakingTime.FINISH);
            case CHECK, GATE -> Optional.empty();
        };
    }

    /**
     * How long each stitch came out where it was measured last, which is where most of it was tied.
     *
     * @param measured lengths of the body so far, by the step of the check
     */
    public static List<Grown> grown(WorkCard card, Map<Integer, Length> measured) {
        Map<String, Grown> grown = new LinkedHashMap<>();
        new TreeMap<>(measured).forEach((place, length) -> {
            CardStep step = card.steps().get(place);
            if (step.stitch().isPresent()
                    && step.measure().isPresent()
                    && step.repeats().isPresent()) {
                int repeats = step.repeats().get().last();
                CardStep.Measure expected = step.measure().get();
                Length beads = expected.soFar().minus(expected.pitch().times((long) repeats));
                Length knotted = length.minus(beads);
                if (knotted.isPositive()) {
                    grown.put(step.stitch().get(), new Grown(step.stitch().get(), repeats, knotted));
                }
            }
        });
        return List.copyOf(grown.values());
    }
}
