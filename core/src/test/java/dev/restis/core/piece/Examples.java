package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Material;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Requests that tests start from. */
public final class Examples {

    public static final PieceRequest.House HOUSE =
            new PieceRequest.House(MarginPolicy.EVEN, UnitSystem.METRIC.cuttingStep());

    private Examples() {}

    public static Cord polyester(double diameter) {
        return cord("polyester", diameter);
    }

    public static Cord cord(String material, double diameter) {
        return new Cord(Material.byCode(material).orElseThrow(), Length.ofMillimetres(diameter), 0.2);
    }

    public static PieceRequest bracelet(Pattern pattern, double diameter, double wrist) {
        return request(pattern, diameter, wrist(wrist));
    }

    public static PieceRequest.Size wrist(double millimetres) {
        Length girth = Length.ofMillimetres(millimetres);
        return new PieceRequest.Size.Wrist(girth, SizeTable.HOUSE.handFor(girth), true, Ease.COMFORTABLE);
    }

    public static PieceRequest fob(double diameter, double length) {
        return request(PatternBook.SPIRAL_FOB, diameter, finished(length));
    }

    public static PieceRequest.Size finished(double millimetres) {
        return new PieceRequest.Size.Finished(Length.ofMillimetres(millimetres));
    }

    /** In the cords, parts and size that the pattern is shown with, without what may be left out. */
    public static PieceRequest usual(Pattern pattern) {
        String material = switch (pattern.code()) {
            case "leather" -> "leather";
            case "elastic-beads" -> "elastic";
            default -> "polyester";
        };
        List<Cord> cords = pattern.cords().stream()
                .map(slot -> cord(material, slot.gauge().toMillimetres()))
                .toList();
        Map<String, PieceRequest.Part> parts = new HashMap<>();
        for (HardwareSlot slot : pattern.hardware()) {
            if (!slot.optional()) {
                parts.put(slot.code(), new PieceRequest.Part(slot.usual(), 0));
            }
        }
        PieceRequest.Size size =
                pattern.kind().sizedByWrist() ? wrist(165) : new PieceRequest.Size.Finished(pattern.usualLength());
        return new PieceRequest(pattern, cords, size, parts, HOUSE);
    }

    public static PieceRequest withBeads(PieceRequest request, int count, double length, double hole) {
        Hardware bead = Hardware.of(Hardware.Kind.BEAD, length, 8.0, hole);
        return request.with(Map.of("bead", new PieceRequest.Part(bead, count)));
    }

    public static WorkedPiece worked(PieceRequest request) {
        return PieceWorker.workOut(request).fold(p -> p, faults -> {
            throw new AssertionError(request.pattern().code() + " refused: " + faults);
        });
    }

    /** Any pattern, gauge, size and margin; most can be worked out, some are too small for their parts. */
    public static PieceRequest random(Random random) {
        Pattern pattern = PatternBook.all().get(random.nextInt(PatternBook.all().size()));
        PieceRequest usual = usual(pattern);
        double factor = 0.6 + random.nextInt(10) / 10.0;
        List<Cord> cords = usual.cords().stream()
                .map(c -> new Cord(
                        c.material(),
                        new Length(Math.round(c.diameter().micrometres() * factor)),
                        0.1 + random.nextInt(5) / 10.0))
                .toList();
        PieceRequest.Size size = pattern.kind().sizedByWrist()
                ? wrist(130 + random.nextInt(110))
                : new PieceRequest.Size.Finished(
                        pattern.usualLength().plus(Length.ofMillimetres((long) random.nextInt(100))));
        return new PieceRequest(pattern, cords, size, usual.parts(), HOUSE);
    }

    private static PieceRequest request(Pattern pattern, double diameter, PieceRequest.Size size) {
        return new PieceRequest(
                pattern,
                Collections.nCopies(pattern.cords().size(), polyester(diameter)),
                size,
                usual(pattern).parts(),
                HOUSE);
    }

    static List<Length> cuts(WorkedPiece piece) {
        return piece.strands().stream().map(WorkedStrand::cutLength).toList();
    }
}
