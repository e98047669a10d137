package dev.restis.app.bench;

import dev.restis.app.patterns.PieceView.PictureView;
import dev.restis.core.make.CardStep;
import dev.restis.core.make.CordLeft;
import dev.restis.core.make.Doing;
import dev.restis.core.make.Gate;
import dev.restis.core.make.Inspection;
import dev.restis.core.make.Repair;
import dev.restis.core.make.StepKind;
import dev.restis.core.make.Tool;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.piece.Caution;
import dev.restis.core.piece.Mark;
import dev.restis.core.stitch.Seat;
import dev.restis.core.work.PieceStage;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece's card as the bench shows it: lengths in micrometres, times in seconds, and codes for whoever puts them in words.
 *
 * @param begun whether somebody has had it in hand, so that it has a card of its own
 * @param alike pieces on the same card, to be made step by step with this one
 * @param setUp of the bench for its batch, where somebody said how long that took
 * @param last what was done last, of what stands
 */
public record WorkCardView(
        BenchPieceView piece,
        int next,
        boolean heldUp,
        boolean begun,
        String inHandOf,
        boolean gatesRemind,
        boolean timer,
        List<CardStrandView> strands,
        List<CardPartView> parts,
        List<BodyPlacesView> bodies,
        List<CardStepView> steps,
        InspectionView inspection,
        long seconds,
        double spread,
        PictureView picture,
        List<AlikeView> alike,
        SetUps.@Nullable BenchSetUpView setUp,
        List<PassedOverView> passedOver,
        List<Notes.BenchNoteView> notes,
        @Nullable LastBenchAct last) {

    /** Which piece it is, and whose. */
    public record BenchPieceView(
            long id,
            int number,
            int quantity,
            long order,
            String reference,
            String customer,
            int line,
            String pattern,
            String patternName,
            boolean kit,
            @Nullable LocalDate due,
            PieceStage stage,
            @Nullable Instant dryUntil) {}

    /** A gate that somebody went on from all the same. */
    public record PassedOverView(int step, String reason, String who) {}

    public record CardMarkView(Mark.Kind kind, long um) {}

    /** @param slot which of the pattern's cords it is of */
    public record CardStrandView(
            String letter,
            String role,
            int number,
            int slot,
            String articleCode,
            String articleName,
            String colour,
            long cutUm,
            int ends,
            @Nullable CardMarkView mark) {}

    public record CardPartView(String slot, String articleCode, String articleName, int quantity) {}

    /** @param strand place in the list of strands */
    public record PlaceView(int strand, int leg, Seat seat) {}

    public record BodyPlacesView(int section, List<PlaceView> places) {}

    public record PartUseView(String slot, int count) {}

    public record RepeatsView(int first, int last, int of) {}

    public record MeasureView(long soFarUm, long wholeUm, long pitchUm) {}

    public record CordLeftView(int strand, int leg, long expectedUm, long needUm) {
        static CordLeftView of(CordLeft left) {
            return new CordLeftView(
                    left.strand(),
                    left.leg(),
                    left.expected().micrometres(),
                    left.need().micrometres());
        }
    }

    /**
     * @param section place of the section that is worked on in the pattern's list; -1 before the first
     * @param share how much of it is made when the step is done
     * @param words key of its sentence in the message files
     * @param flame whether a flame burns, so that nothing may ask for attention
     */
    public record CardStepView(
            String words,
            StepKind kind,
            Doing doing,
            @Nullable Gate gate,
            List<Integer> strands,
            @Nullable PartUseView part,
            @Nullable String stitch,
            @Nullable KnotKind knot,
            @Nullable RepeatsView repeats,
            int count,
            long sizeUm,
            long reachUm,
            long seconds,
            long liesSeconds,
            List<Caution> cautions,
            List<Repair> repairs,
            List<Tool> tools,
            int section,
            double share,
            boolean flame,
            @Nullable MeasureView measure,
            List<CordLeftView> left) {

        static CardStepView of(WorkCard card, CardStep step) {
            return new CardStepView(
                    CardWords.key(card, step),
                    step.kind(),
                    step.doing(),
                    step.gate().orElse(null),
                    step.strands(),
                    step.part().map(p -> new PartUseView(p.slot(), p.count())).orElse(null),
                    step.stitch().orElse(null),
                    step.knot().orElse(null),
                    step.repeats()
                            .map(r -> new RepeatsView(r.first(), r.last(), r.of()))
                            .orElse(null),
                    step.count(),
                    step.size().micrometres(),
                    step.reach().micrometres(),
                    step.time().toSeconds(),
                    step.lies().toSeconds(),
                    step.cautions(),
                    step.repairs(),
                    step.tools(),
                    step.made().section(),
                    step.made().share(),
                    step.doing().flame(),
                    step.measure()
                            .map(m -> new MeasureView(
                                    m.soFar().micrometres(),
                                    m.whole().micrometres(),
                                    m.pitch().micrometres()))
                            .orElse(null),
                    step.left().stream().map(CordLeftView::of).toList());
        }
    }

    public record InspectionView(
            long lengthUm, long toleranceUm, @Nullable Long openUm, List<Inspection.Look> looks) {
        static InspectionView of(Inspection inspection) {
            return new InspectionView(
                    inspection.length().micrometres(),
                    inspection.tolerance().micrometres(),
                    inspection.open().map(Length::micrometres).orElse(null),
                    inspection.looks());
        }
    }

    /** @param next the step that it is at */
    public record AlikeView(long piece, int number, int next, String inHandOf) {}

    /** @param reason in the words of who did it; may be empty */
    public record LastBenchAct(String act, int step, Instant at, String who, String reason) {}

    static List<BodyPlacesView> bodies(WorkCard card) {
        return card.bodies().stream()
                .map(body -> new BodyPlacesView(
                        body.section(),
                        body.places().stream()
                                .map(p -> new PlaceView(p.strand(), p.leg(), p.seat()))
                                .toList()))
                .toList();
    }
}
