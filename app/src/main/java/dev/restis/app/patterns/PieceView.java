package dev.restis.app.patterns;

import dev.restis.app.stock.Article;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.cord.ColourDifference;
import dev.restis.core.cost.PieceCost;
import dev.restis.core.fit.SlidingFit;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.picture.Picture;
import dev.restis.core.picture.PictureDrawer;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.picture.SvgWriter;
import dev.restis.core.piece.Caution;
import dev.restis.core.piece.Check;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.piece.Mark;
import dev.restis.core.piece.PieceFit;
import dev.restis.core.piece.TakeUp;
import dev.restis.core.piece.WorkedBody;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.piece.WorkedStrand;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A worked-out piece as the front end shows it: values in base units, sums as terms, the picture as SVG. */
public record PieceView(
        String pattern,
        String patternName,
        Pattern.Closure closure,
        FitView fit,
        List<StrandView> strands,
        List<HardwareView> hardware,
        List<CheckView> checks,
        Check.Verdict verdict,
        List<ThreadView> threading,
        List<Caution> cautions,
        CostView estimate,
        TimeView time,
        PictureView picture) {

    /**
     * How long it should take to make, seconds; {@code total} is the sum of the others but for the drying.
     *
     * @param learned how much of it, more or less than starting values, the bench has shown
     */
    public record TimeView(long prepare, long body, long closure, long finish, long drying, long total, long learned) {
        static TimeView of(PieceDesk.Worked worked) {
            MakingTime time = worked.time();
            double started = MakingTime.works(worked.piece()).values().stream()
                    .mapToDouble(Double::doubleValue)
                    .sum();
            return new TimeView(
                    time.prepare().toSeconds(),
                    time.body().toSeconds(),
                    time.closure().toSeconds(),
                    time.finish().toSeconds(),
                    time.drying().toSeconds(),
                    time.total().toSeconds(),
                    Math.round(time.total().toSeconds() - started));
        }
    }

    public record TermView(String code, long count, long eachUm, long totalUm) {}

    public record SumView(long totalUm, List<TermView> terms) {
        static SumView of(Sum sum) {
            return new SumView(
                    sum.total().micrometres(),
                    sum.terms().stream()
                            .map(t -> new TermView(
                                    t.code(),
                                    t.count(),
                                    t.each().micrometres(),
                                    t.total().micrometres()))
                            .toList());
        }
    }

    public record BandView(
            SlidingFit.Kind kind,
            long partUm,
            long tailUm,
            SumView tailSum,
            long closedUm,
            long openUm,
            long handUm,
            boolean handAssumed) {}

    public record BodyView(
            String stitch,
            long pitchUm,
            List<Integer> groups,
            int repeats,
            long lengthUm,
            boolean within,
            TakeUp.Source source,
            double spread,
            double pitchRatio) {}

    public record EyeView(long insideUm, long stopperUm) {}

    public record FitView(
            SumView target,
            SumView room,
            long thicknessUm,
            long widthUm,
            List<BodyView> bodies,
            int around,
            long reachedUm,
            long errorUm,
            @Nullable BandView band,
            @Nullable Long innerUm,
            @Nullable EyeView eye) {}

    /** Where a strand is marked, and from which end. */
    public record StrandMark(Mark.Kind kind, long um) {
        public static @Nullable StrandMark of(WorkedStrand strand) {
            return strand.mark()
                    .map(m -> new StrandMark(m.kind(), m.at().micrometres()))
                    .orElse(null);
        }
    }

    public record StrandView(
            String role,
            int number,
            String articleCode,
            String articleName,
            String colour,
            long cutUm,
            long usedUm,
            @Nullable StrandMark mark,
            double risk,
            SumView sum,
            @Nullable LearnedView learned) {}

    public record HardwareView(String articleCode, String articleName, ArticleKind kind, int quantity) {}

    /** What of the choices an offer changes. */
    public enum OfferedChange {
        /** The article in a hardware slot. */
        PART,
        /** The ease. */
        EASE,
        /** The pattern. */
        PATTERN,
        /** Ends are tapered. */
        TAPER,
        /** An article of cord, wherever it is chosen. */
        COLOUR
    }

    /** How many pieces are wanted, and whether they must match. */
    public record Wanted(
            int quantity, boolean matching, @Nullable Long order) {}

    /**
     * How an offered colour differs from the chosen one.
     *
     * @param distance by CIEDE2000
     * @param colour {@code #RRGGBB} of the offered one
     */
    public record DifferenceView(
            double distance, ColourDifference.Degree degree, List<ColourDifference.Turn> turns, String colour) {
        static DifferenceView of(ColourDifference difference, String colour) {
            return new DifferenceView(difference.distance(), difference.degree(), difference.turns(), colour);
        }
    }

    /**
     * A change that mends the check.
     *
     * @param slot the hardware slot of a {@link OfferedChange#PART}, the code of the article that is replaced for a
     *     {@link OfferedChange#COLOUR}, else empty
     * @param value the article's code, the ease, or the pattern's code
     * @param name of the article or the pattern
     * @param difference of a colour
     */
    public record OfferView(
            OfferedChange change,
            String slot,
            String value,
            String name,
            @Nullable DifferenceView difference) {
        OfferView(OfferedChange change, String slot, String value, String name) {
            this(change, slot, value, name, null);
        }
    }

    public record CheckView(
            String code,
            Check.Verdict verdict,
            Map<String, Long> lengthsUm,
            Map<String, Double> numbers,
            String subject,
            List<OfferView> offers) {}

    public record ThreadView(String code, String part, int count, List<String> roles) {}

    /**
     * @param planned what of the tails is neither trimmed nor scrap
     */
    public record CostView(
            BigDecimal used,
            BigDecimal tails,
            BigDecimal planned,
            BigDecimal trimmed,
            BigDecimal scrap,
            BigDecimal waste,
            BigDecimal hardware,
            BigDecimal total) {
        public static CostView of(PieceCost cost) {
            return new CostView(
                    cost.used(),
                    cost.tails(),
                    cost.planned(),
                    cost.trimmed(),
                    cost.scrap(),
                    cost.waste(),
                    cost.hardware(),
                    cost.total());
        }
    }

    /**
     * The piece drawn to scale.
     *
     * @param fromMm where the measured length starts along the width
     * @param toMm where it ends
     * @param shortened whether long parts are left out, so that it cannot be measured
     * @param sections where each section of the pattern lies along the width
     * @param pulling stitches that are drawn from other lines than their own
     */
    public record PictureView(
            String svg,
            double widthMm,
            double heightMm,
            double fromMm,
            double toMm,
            boolean shortened,
            List<SpanView> sections,
            List<PullingView> pulling) {}

    /** A stretch along the width of a picture. */
    public record SpanView(double fromMm, double toMm) {}

    /** How far a stitch's lines have come. */
    public enum PullState {
        WAITING,
        RUNNING,
        KNOT,
        NO_KNOT
    }

    /**
     * A stitch in a picture that is not drawn from lines of its own.
     *
     * @param progress share that is done, 0 to 1
     * @param reason why it is no knot: slips, simpler or crosses; else empty
     */
    public record PullingView(String stitch, PullState state, double progress, String reason) {}

    /** Shows a piece; stock is judged for all that are wanted. */
    public static PieceView of(PieceDesk.Sitting sitting, PieceDesk.Worked worked, Wanted wanted) {
        WorkedPiece piece = worked.piece();
        List<CheckView> checks = new ArrayList<>();
        for (Check check : piece.checks()) {
            checks.add(check(sitting, worked, wanted, check));
        }
        checks.addAll(new StockChecks(sitting, worked, wanted).all());
        Check.Verdict worst = checks.stream()
                .map(CheckView::verdict)
                .max(Comparator.naturalOrder())
                .orElse(Check.Verdict.GOOD);
        return new PieceView(
                worked.spec().pattern(),
                piece.request().pattern().name(),
                piece.request().pattern().closure(),
                fit(piece.fit()),
                piece.strands().stream()
                        .map(s -> strand(piece, s, worked.cords().get(s.slot())))
                        .toList(),
                worked.hardware().entrySet().stream()
                        .map(e -> new HardwareView(
                                e.getKey().code(), e.getKey().name(), e.getKey().kind(), e.getValue()))
                        .toList(),
                checks,
                worst,
                threading(piece),
                piece.cautions(),
                CostView.of(worked.estimate()),
                TimeView.of(worked),
                full(sitting, worked));
    }

    private static CheckView check(PieceDesk.Sitting sitting, PieceDesk.Worked worked, Wanted wanted, Check check) {
        String subject = Optional.ofNullable(worked.parts().get(check.part()))
                .map(StockChecks::named)
                .orElse(check.part());
        // Pieces that are cut are what they are.
        List<OfferView> offers = wanted.quantity() == 0 ? List.of() : new Remedies(sitting, worked).of(check);
        return new CheckView(
                check.code(), check.verdict(), micrometres(check.lengths()), check.numbers(), subject, offers);
    }

    /** The whole piece. */
    public static PictureView full(PieceDesk.Sitting sitting, PieceDesk.Worked worked) {
        return picture(worked.piece(), worked.colours(), worked.hardwareColours(), Detail.FULL, sitting.drawing());
    }

    /** The whole piece with its long parts shortened, as SVG. */
    public static String card(PieceDesk.Sitting sitting, PieceDesk.Worked worked) {
        return picture(worked.piece(), worked.colours(), worked.hardwareColours(), Detail.CARD, sitting.drawing())
                .svg();
    }

    static PictureView picture(
            WorkedPiece piece,
            List<String> colours,
            List<String> hardware,
            Detail detail,
            CentreLineShelf.Drawing lines) {
        Picture picture = PictureDrawer.draw(piece, detail, lines);
        return new PictureView(
                SvgWriter.write(picture, colours, hardware),
                picture.width(),
                picture.height(),
                picture.from(),
                picture.to(),
                picture.shortened(),
                picture.sections().stream()
                        .map(s -> new SpanView(s.from(), s.to()))
                        .toList(),
                lines.pulling());
    }

    private static List<ThreadView> threading(WorkedPiece piece) {
        return piece.threading().stream()
                .map(step -> new ThreadView(
                        step.code(),
                        step.part(),
                        step.count(),
                        piece.request().pattern().roles().stream()
                                .filter(r -> r.takes(step.seats()))
                                .map(r -> r.code())
                                .toList()))
                .toList();
    }

    static FitView fit(PieceFit fit) {
        return new FitView(
                SumView.of(fit.target()),
                SumView.of(fit.room()),
                fit.thickness().micrometres(),
                fit.width().micrometres(),
                fit.bodies().stream().map(PieceView::body).toList(),
                fit.around(),
                fit.reached().micrometres(),
                fit.error().micrometres(),
                fit.band()
                        .map(b -> new BandView(
                                b.kind(),
                                b.part().micrometres(),
                                b.tail().micrometres(),
                                SumView.of(b.tailSum()),
                                b.closed().micrometres(),
                                b.open().micrometres(),
                                b.hand().micrometres(),
                                b.handAssumed()))
                        .orElse(null),
                fit.inner().map(Length::micrometres).orElse(null),
                fit.eye()
                        .map(e -> new EyeView(
                                e.inside().micrometres(), e.stopper().micrometres()))
                        .orElse(null));
    }

    private static BodyView body(WorkedBody body) {
        return new BodyView(
                body.section().stitch().code(),
                body.pitch().micrometres(),
                body.groups(),
                body.repeats(),
                body.length().micrometres(),
                body.section().within(),
                body.takeUp().source(),
                body.takeUp().spread(),
                body.takeUp().pitchRatio());
    }

    private static StrandView strand(WorkedPiece piece, WorkedStrand strand, Article article) {
        return new StrandView(
                strand.role(),
                strand.number(),
                article.code(),
                article.name(),
                article.colour(),
                strand.cutLength().micrometres(),
                strand.used().micrometres(),
                StrandMark.of(strand),
                strand.risk(),
                SumView.of(strand.sum()),
                LearnedView.of(piece, strand, article));
    }

    private static Map<String, Long> micrometres(Map<String, Length> lengths) {
        return new TreeMap<>(lengths.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().micrometres())));
    }
}
