package dev.restis.app.workplan;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.core.batch.Bench;
import dev.restis.core.batch.Benches;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.stitch.Family;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.work.WorkSteps;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** What pieces of a set-up need on the bench, whatever their size; worked out once for each, because patterns do not change under their version. */
@Service
class BenchFacts {

    private static final int MOST = 2_000;

    /** A line's set-up with all that it follows from. */
    record Key(String setUp, int version, boolean kit) {}

    /**
     * What it needs.
     *
     * @param stitch code of the stitch that makes most of it
     * @param strands that are cut for a piece
     * @param dryingDays that a piece lies afterwards
     */
    record Facts(Pattern pattern, String stitch, int strands, int dryingDays) {
        /** The family, with what the house says of its own stitches. */
        Family family(Map<String, Family> own) {
            return Family.of(stitch).orElseGet(() -> own.getOrDefault(stitch, Family.BRAID));
        }

        /**
         * What must lie on the bench.
         *
         * @param gauge of the cord that is tied
         */
        Bench bench(Map<String, Family> own, Length gauge, Collection<Long> parts, Collection<Long> cords) {
            return Benches.of(pattern, family(own), gauge, parts, cords);
        }

        /**
         * What a piece takes of a maker's day: tying, and what the house does besides.
         *
         * @param tying seconds
         * @param cut whether its strands are cut
         */
        int seconds(PlanRules rules, WorkSteps steps, int tying, boolean cut) {
            int cutting = cut ? 0 : rules.cutSeconds * strands;
            int after = (steps.checks() ? rules.checkSeconds : 0) + (steps.packs() ? rules.packSeconds : 0);
            return Math.max(1, tying + cutting + after);
        }
    }

    private static final String NOTHING_TIED = "plain";

    private final OrderPieces pieces;
    private final PieceDesk desk;
    private final Cache<Key, Facts> known =
            Caffeine.newBuilder().maximumSize(MOST).build();

    BenchFacts(OrderPieces pieces, PieceDesk desk) {
        this.pieces = pieces;
        this.desk = desk;
    }

    /** @param lines any line of each */
    Map<Key, Facts> of(Map<Key, Long> lines) {
        Map<Key, Facts> facts = new HashMap<>(known.getAllPresent(lines.keySet()));
        List<Key> missing = new ArrayList<>(lines.keySet());
        missing.removeAll(facts.keySet());
        if (!missing.isEmpty()) {
            Map<Long, PieceSpec> specs =
                    pieces.specsOf(missing.stream().map(lines::get).toList());
            PieceDesk.Sitting sitting = desk.sit();
            sitting.ready(specs.values().stream());
            for (Key key : missing) {
                Facts found = facts(sitting.workOut(Objects.requireNonNull(specs.get(lines.get(key)))));
                known.put(key, found);
                facts.put(key, found);
            }
        }
        return facts;
    }

    /** Of a piece that is worked out. */
    static Facts facts(PieceDesk.Worked worked) {
        Pattern pattern = worked.piece().request().pattern();
        Optional<Stitch> main = Benches.main(pattern);
        MakingTime time = worked.time();
        return new Facts(
                pattern,
                main.map(Stitch::code).orElse(NOTHING_TIED),
                worked.piece().strands().size(),
                (int) time.drying().toDays());
    }
}
