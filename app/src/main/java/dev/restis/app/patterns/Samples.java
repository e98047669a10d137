package dev.restis.app.patterns;

import dev.restis.app.measures.Measures;
import dev.restis.app.patterns.PatternsController.CordView;
import dev.restis.app.patterns.PatternsController.PartView;
import dev.restis.app.patterns.PatternsController.PatternView;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Section;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.piece.PieceFit;
import dev.restis.core.piece.PieceRequest;
import dev.restis.core.piece.PieceWorker;
import dev.restis.core.piece.WorkOut;
import dev.restis.core.piece.WorkedPiece;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Service;

/** Patterns in their usual cords, parts and colours, as the book shows them. */
@Service
class Samples {

    private static final String BEAD = "#7A5C3E";
    private static final String METAL = "#8A969B";
    /** Enough beads to see where they go. */
    private static final int SHOWN_BEADS = 3;

    private final Measures measures;
    private final Workshop workshop;
    private final CentreLineShelf lines;

    Samples(Measures measures, Workshop workshop, CentreLineShelf lines) {
        this.lines = lines;
        this.measures = measures;
        this.workshop = workshop;
    }

    /** Works the pattern out in the middle house size, or its usual length. */
    WorkOut tryOut(Pattern pattern) {
        return usual().workOut(pattern);
    }

    /** How the house works pieces out at the moment, read once for many patterns. */
    private Usual usual() {
        return new Usual(measures.house(), workshop.margin());
    }

    private record Usual(Measures.House house, MarginPolicy margin) {
        WorkOut workOut(Pattern pattern) {
            return PieceWorker.workOut(request(pattern, house, margin));
        }
    }

    private static PieceRequest request(Pattern pattern, Measures.House house, MarginPolicy margin) {
        Material material = Material.byCode(usualMaterial(pattern)).orElseThrow();
        List<Cord> cords = pattern.cords().stream()
                .map(slot -> new Cord(material, slot.gauge(), 0))
                .toList();
        Map<String, PieceRequest.Part> parts = new HashMap<>();
        for (HardwareSlot slot : pattern.hardware()) {
            if (!slot.optional() || slot.chosenCount() > 0) {
                parts.put(slot.code(), new PieceRequest.Part(slot.usual(), Math.min(SHOWN_BEADS, slot.chosenCount())));
            }
        }
        SizeTable.Row middle = house.sizes().middle();
        Length ease = house.eases().getOrDefault(Ease.COMFORTABLE, Ease.COMFORTABLE.length());
        PieceRequest.Size size = pattern.kind().sizedByWrist()
                ? new PieceRequest.Size.Wrist(middle.wrist(), middle.hand(), true, ease)
                : new PieceRequest.Size.Finished(pattern.usualLength());
        return new PieceRequest(
                pattern,
                cords,
                size,
                parts,
                new PieceRequest.House(margin, UnitSystem.METRIC.cuttingStep(), house.learned(), false));
    }

    /** Strung and slide-bead pieces are shown in what they are made of; all others in polyester. */
    private static String usualMaterial(Pattern pattern) {
        return switch (pattern.closure()) {
            case ELASTIC -> "elastic";
            case SLIDE_BEAD -> "leather";
            default -> "polyester";
        };
    }

    SamplePiece of(Pattern pattern) {
        return show(worked(pattern));
    }

    private WorkedPiece worked(Pattern pattern) {
        return tryOut(pattern).fold(Function.identity(), faults -> {
            throw new Rejected(faults);
        });
    }

    SamplePiece show(WorkedPiece piece) {
        Pattern pattern = piece.request().pattern();
        return new SamplePiece(
                PieceView.fit(piece.fit()),
                piece.strands().stream()
                        .map(s -> new SamplePiece.SampleStrand(
                                s.role(),
                                s.number(),
                                pattern.cords().get(s.slot()).code(),
                                pattern.cords().get(s.slot()).colour(),
                                s.cutLength().micrometres(),
                                s.used().micrometres(),
                                PieceView.StrandMark.of(s),
                                PieceView.SumView.of(s.sum())))
                        .toList(),
                PieceView.picture(piece, colours(pattern), hardware(pattern), Detail.FULL, lines.drawing()),
                piece.checks().stream().map(c -> c.code() + " " + c.verdict()).toList());
    }

    String svg(Pattern pattern, Detail detail) {
        return PieceView.picture(worked(pattern), colours(pattern), hardware(pattern), detail, lines.drawing())
                .svg();
    }

    private static List<String> colours(Pattern pattern) {
        return pattern.cords().stream().map(c -> c.colour()).toList();
    }

    private static long minutes(MakingTime time) {
        return time.total().plusSeconds(59).toMinutes();
    }

    private static List<String> hardware(Pattern pattern) {
        return pattern.hardware().stream()
                .map(h -> h.kind().threaded() ? BEAD : METAL)
                .toList();
    }

    /** The patterns as the book lists them. */
    List<PatternView> views(Collection<PatternShelf.Shelved> all) {
        Usual usual = usual();
        return all.stream().map(s -> view(s, usual)).toList();
    }

    private static PatternView view(PatternShelf.Shelved shelved, Usual usual) {
        Pattern pattern = shelved.pattern();
        // One pattern that cannot be made in the house's middle size must not close the whole book.
        Optional<WorkedPiece> piece = usual.workOut(pattern).fold(Optional::of, faults -> Optional.empty());
        Optional<PieceFit> fit = piece.map(WorkedPiece::fit);
        return new PatternView(
                pattern.code(),
                pattern.name(),
                shelved.version(),
                shelved.shipped(),
                pattern.kind(),
                pattern.closure(),
                pattern.cords().stream()
                        .map(c -> new CordView(c.code(), c.gauge().micrometres(), c.colour()))
                        .toList(),
                pattern.hardware().stream()
                        .map(h -> new PartView(
                                h.code(),
                                h.kind(),
                                h.optional(),
                                h.chosenCount(),
                                h.usual().measures().entrySet().stream()
                                        .collect(java.util.stream.Collectors.toMap(
                                                Map.Entry::getKey,
                                                e -> e.getValue().micrometres()))))
                        .toList(),
                pattern.all(Section.Body.class).stream()
                        .map(b -> b.stitch().code())
                        .distinct()
                        .toList(),
                pattern.kind().sizedByWrist() ? usual.house().sizes().middle().name() : null,
                pattern.usualLength().micrometres(),
                fit.map(f -> f.width().micrometres()).orElse(0L),
                fit.map(f -> f.thickness().micrometres()).orElse(0L),
                pattern.roles().stream()
                        .mapToInt(r -> r.count() * r.slots().size())
                        .sum(),
                piece.map(p -> minutes(MakingTime.of(p))).orElse(0L));
    }
}
