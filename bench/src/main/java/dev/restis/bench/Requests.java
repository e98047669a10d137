package dev.restis.bench;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.cord.Ring;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.piece.PieceRequest;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/** Random but repeatable requests over all shipped patterns. */
final class Requests {

    private static final Ring RING = new Ring(Length.ofMillimetres(25), Length.ofMillimetres(2));

    private Requests() {}

    static PieceRequest of(Pattern pattern, Random random) {
        Cord cord = new Cord(
                Material.byCode("polyester").orElseThrow(), new Length(1_500 + 500L * random.nextInt(4)), 0.16);
        List<Cord> cords = Collections.nCopies(pattern.slots().size(), cord);
        Length wrist = Length.ofMillimetres(140 + random.nextInt(70));
        PieceRequest.Size size = pattern.kind() == Pattern.Kind.BRACELET
                ? new PieceRequest.Size.Wrist(wrist, SizeTable.HOUSE.handFor(wrist), true, Ease.COMFORTABLE)
                : new PieceRequest.Size.Finished(Length.ofMillimetres(110 + random.nextInt(40)));
        return new PieceRequest(
                pattern,
                cords,
                size,
                Optional.empty(),
                pattern.hangsOnRing() ? Optional.of(RING) : Optional.empty(),
                MarginPolicy.BY_COST,
                UnitSystem.METRIC.cuttingStep());
    }

    static List<PieceRequest> many(int count) {
        Random random = new Random(1);
        return random.ints(count, 0, PatternBook.all().size())
                .mapToObj(i -> of(PatternBook.all().get(i), random))
                .toList();
    }
}
