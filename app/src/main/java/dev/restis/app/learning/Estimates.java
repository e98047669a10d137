package dev.restis.app.learning;

import dev.restis.app.platform.Keyset;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.learning.Beliefs;
import dev.restis.core.learning.Flag;
import dev.restis.core.learning.Load;
import dev.restis.core.piece.Ways;
import dev.restis.core.piece.Ways.Kind;
import dev.restis.core.piece.Ways.Named;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is believed of stitches, paths, makers and materials. Makers see their own hand; an owner sees all, in the order of names. */
@Service
class Estimates {

    private static final int PAGE = 100;

    /**
     * That a hand has changed.
     *
     * @param factor what it takes since then over what it took
     */
    record FlagView(LocalDate since, double factor) {}

    /**
     * What is believed of one feature.
     *
     * @param factor over geometry
     * @param low the factor that is as low as one in forty
     * @param high likewise
     * @param pieces measurements it rests on
     * @param samples likewise, of swatches
     */
    record EstimateRow(
            String feature,
            Kind kind,
            String what,
            String path,
            String maker,
            String material,
            double factor,
            double low,
            double high,
            int pieces,
            int samples,
            @Nullable FlagView changed) {}

    private final LearnedShelf shelf;

    Estimates(LearnedShelf shelf) {
        this.shelf = shelf;
    }

    @Transactional(readOnly = true)
    public Keyset<EstimateRow> of(Subject subject, @Nullable String after) {
        Beliefs beliefs = shelf.beliefs(subject);
        Map<String, Flag> flags = new HashMap<>();
        shelf.flags(subject).forEach(flag -> flags.put(flag.hand(), flag));
        String last = Keyset.read(after, ".{1,200}").map(place -> place.get(0)).orElse("");
        List<EstimateRow> rows = beliefs.features().stream()
                .map(feature -> row(feature, beliefs, flags))
                .filter(row -> visible(row.maker()))
                .sorted(Comparator.comparing(Estimates::place))
                .filter(row -> place(row).compareTo(last) > 0)
                .limit(PAGE + 1)
                .toList();
        return Keyset.of(rows, PAGE, row -> List.of(place(row)));
    }

    /** Makers see what is of nobody, and of themselves. */
    static boolean visible(String maker) {
        return maker.isEmpty() || maker.equals(Workshop.whoever()) || Workshop.mayForOthers();
    }

    private static String place(EstimateRow row) {
        return "%02d %s %s %s %s".formatted(row.kind().ordinal(), row.what(), row.path(), row.maker(), row.material());
    }

    private static EstimateRow row(Load feature, Beliefs beliefs, Map<String, Flag> flags) {
        Named named = Ways.named(feature.feature());
        Beliefs.Factor factor =
                beliefs.factor(List.of(new Load(feature.feature(), feature.spread(), feature.walk(), 1)));
        Beliefs.Seen seen = beliefs.seen(feature.feature());
        Flag flag = flags.get(hand(named));
        return new EstimateRow(
                feature.feature(),
                named.kind(),
                named.what(),
                named.path(),
                named.maker(),
                named.material(),
                StrictMath.exp(factor.mean()),
                StrictMath.exp(factor.mean() - 2 * factor.spread()),
                StrictMath.exp(factor.mean() + 2 * factor.spread()),
                seen.pieces(),
                seen.samples(),
                flag == null ? null : new FlagView(LocalDate.ofEpochDay(flag.since()), flag.factor()));
    }

    /** Whose hand a feature is, as changes are told: that of all a maker ties, or with one stitch or work. */
    private static String hand(Named named) {
        return switch (named.kind()) {
            case MAKER -> named.maker();
            case WAY -> named.maker() + " " + Ways.ofAll(named.what());
            default -> "";
        };
    }
}
