package dev.restis.app.patterns;

import dev.restis.app.stock.Article;
import dev.restis.core.cost.PieceCost;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.picture.Picture;
import dev.restis.core.picture.PictureDrawer;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.picture.SvgWriter;
import dev.restis.core.piece.Check;
import dev.restis.core.piece.PieceFit;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.piece.WorkedStrand;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A worked-out piece as the front end shows it: values in base units, sums as terms, the picture as SVG. */
public record PieceView(
        String pattern,
        String patternName,
        FitView fit,
        List<StrandView> strands,
        List<HardwareView> hardware,
        List<CheckView> checks,
        Check.Verdict verdict,
        CostView estimate,
        PictureView picture) {

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
            long sliderUm,
            long tailUm,
            SumView tailTwice,
            long closedUm,
            long openUm,
            long handUm,
            boolean handAssumed) {}

    public record FitView(
            SumView target,
            SumView body,
            long thicknessUm,
            long widthUm,
            long pitchUm,
            List<Integer> groups,
            int repeats,
            long bodyUm,
            long reachedUm,
            long errorUm,
            @Nullable BandView band) {}

    public record StrandView(
            String role,
            int number,
            String articleCode,
            String articleName,
            String colour,
            long cutUm,
            long usedUm,
            @Nullable Long foldUm,
            double risk,
            SumView sum) {}

    public record HardwareView(String articleCode, String articleName, String kind, int quantity) {}

    public record CheckView(
            String code,
            Check.Verdict verdict,
            Map<String, Long> lengthsUm,
            Map<String, Double> numbers,
            String subject) {}

    public record CostView(BigDecimal used, BigDecimal tails, BigDecimal waste, BigDecimal hardware, BigDecimal total) {
        public static CostView of(PieceCost cost) {
            return new CostView(cost.used(), cost.tails(), cost.waste(), cost.hardware(), cost.total());
        }
    }

    public record PictureView(String svg, double widthMm, double heightMm, double bodyFromMm, double bodyToMm) {}

    /** Shows a piece of which {@code quantity} are wanted; stock is judged for all of them. */
    public static PieceView of(PieceDesk.Worked worked, int quantity) {
        WorkedPiece piece = worked.piece();
        List<CheckView> checks = new ArrayList<>(piece.checks().stream()
                .map(c -> new CheckView(c.code(), c.verdict(), micrometres(c.lengths()), c.numbers(), ""))
                .toList());
        checks.addAll(stockChecks(worked, quantity));
        Check.Verdict worst = checks.stream()
                .map(CheckView::verdict)
                .max(java.util.Comparator.naturalOrder())
                .orElse(Check.Verdict.GOOD);
        return new PieceView(
                worked.spec().pattern(),
                piece.request().pattern().name(),
                fit(piece.fit()),
                piece.strands().stream()
                        .map(s -> strand(s, worked.cords().get(s.slot())))
                        .toList(),
                hardware(worked),
                checks,
                worst,
                CostView.of(worked.estimate()),
                picture(worked, Detail.FULL));
    }

    static PictureView picture(PieceDesk.Worked worked, Detail detail) {
        Picture picture = PictureDrawer.draw(worked.piece(), detail);
        return new PictureView(
                SvgWriter.write(picture, worked.colours(), worked.beadColour()),
                picture.width(),
                picture.height(),
                picture.bodyFrom(),
                picture.bodyTo());
    }

    /** Whether what lies on the shelves is enough; the cut list decides lot by lot. */
    private static List<CheckView> stockChecks(PieceDesk.Worked worked, int quantity) {
        Map<Article, Long> needed = new LinkedHashMap<>();
        for (WorkedStrand strand : worked.piece().strands()) {
            Article article = worked.cords().get(strand.slot());
            needed.merge(article, strand.cutLength().micrometres() * quantity, Long::sum);
        }
        List<CheckView> checks = new ArrayList<>();
        needed.forEach((article, length) -> checks.add(new CheckView(
                "stock",
                article.onHand() >= length ? Check.Verdict.GOOD : Check.Verdict.NO,
                Map.of("needed", length, "onHand", article.onHand()),
                Map.of(),
                article.code() + " " + article.name())));
        for (HardwareView part : hardware(worked)) {
            Article article = worked.bead()
                    .filter(b -> b.code().equals(part.articleCode()))
                    .orElseGet(() -> worked.ring().orElseThrow());
            long count = (long) part.quantity() * quantity;
            checks.add(new CheckView(
                    "hardware",
                    article.onHand() >= count ? Check.Verdict.GOOD : Check.Verdict.NO,
                    Map.of(),
                    Map.of("needed", (double) count, "onHand", (double) article.onHand()),
                    article.code() + " " + article.name()));
        }
        return checks;
    }

    private static FitView fit(PieceFit fit) {
        return new FitView(
                SumView.of(fit.target()),
                SumView.of(fit.body()),
                fit.thickness().micrometres(),
                fit.width().micrometres(),
                fit.pitch().micrometres(),
                fit.groups(),
                fit.repeats(),
                fit.bodyLength().micrometres(),
                fit.reached().micrometres(),
                fit.error().micrometres(),
                fit.band()
                        .map(b -> new BandView(
                                b.slider().micrometres(),
                                b.tail().micrometres(),
                                SumView.of(b.tailTwice()),
                                b.closed().micrometres(),
                                b.open().micrometres(),
                                b.hand().micrometres(),
                                b.handAssumed()))
                        .orElse(null));
    }

    private static StrandView strand(WorkedStrand strand, Article article) {
        return new StrandView(
                strand.role(),
                strand.number(),
                article.code(),
                article.name(),
                article.colour(),
                strand.cutLength().micrometres(),
                strand.used().micrometres(),
                strand.foldMark().map(Length::micrometres).orElse(null),
                strand.risk(),
                SumView.of(strand.sum()));
    }

    private static List<HardwareView> hardware(PieceDesk.Worked worked) {
        List<HardwareView> parts = new ArrayList<>();
        worked.bead()
                .filter(b -> worked.piece().beads() > 0)
                .ifPresent(b -> parts.add(new HardwareView(
                        b.code(), b.name(), "BEAD", worked.piece().beads())));
        worked.ring()
                .filter(r -> worked.piece().rings() > 0)
                .ifPresent(r -> parts.add(new HardwareView(
                        r.code(), r.name(), "RING", worked.piece().rings())));
        return parts;
    }

    private static Map<String, Long> micrometres(Map<String, Length> lengths) {
        return new TreeMap<>(lengths.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().micrometres())));
    }
}
