package dev.restis.core.piece;

import dev.restis.core.cord.Bead;
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.cord.Ring;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/** Requests that tests start from. */
public final class Examples {

    public static final Ring RING = new Ring(Length.ofMillimetres(25), Length.ofMillimetres(2));

    private Examples() {}

    public static Cord polyester(double diameter) {
        return new Cord(Material.byCode("polyester").orElseThrow(), Length.ofMillimetres(diameter), 0.2);
    }

    public static PieceRequest bracelet(Pattern pattern, double diameter, double wrist) {
        Length girth = Length.ofMillimetres(wrist);
        return request(
                pattern,
                diameter,
                new PieceRequest.Size.Wrist(girth, SizeTable.HOUSE.handFor(girth), true, Ease.COMFORTABLE));
    }

    public static PieceRequest fob(double diameter, double length) {
        return request(PatternBook.SPIRAL_FOB, diameter, new PieceRequest.Size.Finished(Length.ofMillimetres(length)));
    }

    public static PieceRequest withBeads(PieceRequest request, int count, double length, double hole) {
        Bead bead = new Bead(Length.ofMillimetres(length), Length.ofMillimetres(8.0), Length.ofMillimetres(hole));
        return new PieceRequest(
                request.pattern(),
                request.cords(),
                request.size(),
                Optional.of(new PieceRequest.Beads(bead, count)),
                request.ring(),
                request.margin(),
                request.cuttingStep());
    }

    public static WorkedPiece worked(PieceRequest request) {
        return PieceWorker.workOut(request).fold(p -> p, faults -> {
            throw new AssertionError("refused: " + faults);
        });
    }

    /** Any pattern, gauge, size, beads and margin that can be worked out. */
    public static PieceRequest random(Random random) {
        double diameter = 1 + random.nextInt(30) / 10.0;
        PieceRequest request = switch (random.nextInt(3)) {
            case 0 -> bracelet(PatternBook.SQUARE_BAR, diameter, 120 + random.nextInt(120));
            case 1 -> bracelet(PatternBook.SNAKE, diameter, 120 + random.nextInt(120));
            default -> fob(diameter, 130 + random.nextInt(120));
        };
        int most = Math.min(4, request.pattern().body().mostBeads());
        return most == 0 ? request : withBeads(request, random.nextInt(most + 1), 8, 5);
    }

    private static PieceRequest request(Pattern pattern, double diameter, PieceRequest.Size size) {
        return new PieceRequest(
                pattern,
                Collections.nCopies(pattern.slots().size(), polyester(diameter)),
                size,
                Optional.empty(),
                pattern.hangsOnRing() ? Optional.of(RING) : Optional.empty(),
                MarginPolicy.EVEN,
                UnitSystem.METRIC.cuttingStep());
    }

    static List<Length> cuts(WorkedPiece piece) {
        return piece.strands().stream().map(WorkedStrand::cutLength).toList();
    }
}
