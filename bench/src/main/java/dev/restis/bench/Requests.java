package dev.restis.bench;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.piece.PieceRequest;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Random but repeatable requests over all shipped patterns. */
final class Requests {

    private Requests() {}

    /** In the pattern's own gauges and parts, for any wrist or length. */
    static PieceRequest of(Pattern pattern, Random random) {
        Material polyester = Material.byCode("polyester").orElseThrow();
        List<Cord> cords = pattern.cords().stream()
                .map(slot -> new Cord(polyester, slot.gauge(), 0.16))
                .toList();
        Map<String, PieceRequest.Part> parts = new HashMap<>();
        for (HardwareSlot slot : pattern.hardware()) {
            parts.put(slot.code(), new PieceRequest.Part(slot.usual(), Math.min(3, slot.chosenCount())));
        }
        Length wrist = Length.ofMillimetres(145 + random.nextInt(70));
        PieceRequest.Size size = pattern.kind().sizedByWrist()
                ? new PieceRequest.Size.Wrist(wrist, SizeTable.HOUSE.handFor(wrist), true, Ease.COMFORTABLE)
                : new PieceRequest.Size.Finished(
                        pattern.usualLength().plus(Length.ofMillimetres((long) random.nextInt(40))));
        return new PieceRequest(
                pattern,
                cords,
                size,
                parts,
                new PieceRequest.House(MarginPolicy.BY_COST, UnitSystem.METRIC.cuttingStep()));
    }

    static List<PieceRequest> many(int count) {
        Random random = new Random(1);
        return random.ints(count, 0, PatternBook.all().size())
                .mapToObj(i -> of(PatternBook.all().get(i), random))
                .toList();
    }
}
