package dev.restis.app.patterns;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.restis.app.patterns.PieceDesk.Sitting;
import dev.restis.app.patterns.PieceDesk.Worked;
import dev.restis.app.patterns.PieceView.CheckView;
import dev.restis.app.patterns.PieceView.DifferenceView;
import dev.restis.app.patterns.PieceView.OfferView;
import dev.restis.app.patterns.PieceView.OfferedChange;
import dev.restis.app.patterns.PieceView.Wanted;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.app.stock.Articles.Tint;
import dev.restis.core.cord.Colour;
import dev.restis.core.cord.ColourDifference;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.WorkedStrand;
import dev.restis.core.stock.Sufficiency;
import dev.restis.core.stock.Sufficiency.Supply;
import dev.restis.core.stock.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Whether what lies on the shelves is enough, and which other colours would do; the cut list decides lot by lot. */
final class StockChecks {

    /** More colours than this are no help to choose from. */
    private static final int MOST_COLOURS = 4;
    /** Colours farther off than so many others are no substitute. */
    private static final int MOST_TRIED = 24;

    /** Two colours are as far apart for everybody, and reckoning that of very many takes a while. */
    private static final Cache<Pair, ColourDifference> DIFFERENCES =
            Caffeine.newBuilder().maximumSize(20_000).build();

    private record Pair(String asked, String other) {
        ColourDifference difference() {
            return ColourDifference.between(Colour.ofHex(asked), Colour.ofHex(other));
        }
    }

    private final Sitting sitting;
    private final Worked worked;
    private final Wanted wanted;

    StockChecks(Sitting sitting, Worked worked, Wanted wanted) {
        this.sitting = sitting;
        this.worked = worked;
        this.wanted = wanted;
    }

    /** None for pieces all of which are cut: they need nothing any more. */
    List<CheckView> all() {
        if (wanted.quantity() == 0) {
            return List.of();
        }
        sitting.readyToJudge(List.of(worked), wanted.order());
        List<CheckView> checks = new ArrayList<>();
        worked.needed().forEach((article, each) -> {
            if (article.kind() == ArticleKind.CONSUMABLE) {
                consumable(article, each).ifPresent(checks::add);
                return;
            }
            if (article.kind() != ArticleKind.CORD) {
                checks.add(hardware(article, each));
                return;
            }
            checks.add(cord(article, each));
            if (article.unlikeItsName()) {
                checks.add(measured(article));
            }
        });
        return checks;
    }

    private CheckView cord(Article article, long each) {
        Sufficiency answer = judge(article, each);
        return new CheckView(
                switch (answer) {
                    case ENOUGH, SHORT -> "stock";
                    case SEVERAL_LOTS, NO_LOT_FOR_A_PIECE -> "lot";
                    case NO_LOT_FOR_THE_SET -> "lot.set";
                },
                verdict(answer),
                Map.of(
                        "needed", answer == Sufficiency.NO_LOT_FOR_A_PIECE ? each : each * wanted.quantity(),
                        "free", free(article),
                        "onHand", article.onHand(),
                        "bestLot", Math.min(free(article), article.bestLot())),
                Map.of(),
                named(article),
                answer == Sufficiency.ENOUGH ? List.of() : otherColours(article, verdict(answer)));
    }

    private long free(Article article) {
        return Math.max(0, sitting.free(article, wanted.order()));
    }

    private Sufficiency judge(Article article, long each) {
        return Sufficiency.of(
                each,
                wanted.quantity(),
                wanted.matching(),
                new Supply(free(article), Math.min(free(article), article.bestLot())));
    }

    private static Verdict verdict(Sufficiency answer) {
        return switch (answer) {
            case ENOUGH -> Verdict.GOOD;
            case SEVERAL_LOTS -> Verdict.TIGHT;
            case SHORT, NO_LOT_FOR_A_PIECE, NO_LOT_FOR_THE_SET -> Verdict.NO;
        };
    }

    /** The nearest colours of the same gauge and material of which there is enough; nothing is changed without a yes. */
    private List<OfferView> otherColours(Article lacking, Verdict verdict) {
        record Candidate(Tint tint, ColourDifference difference) {}
        List<Candidate> nearest = sitting.alike(lacking).stream()
                .map(t -> new Candidate(t, DIFFERENCES.get(new Pair(lacking.colour(), t.colour()), Pair::difference)))
                .sorted(Comparator.comparing((Candidate c) -> c.difference().distance())
                        .thenComparing(c -> c.tint().code()))
                .limit(MOST_TRIED)
                .toList();
        sitting.ready(nearest.stream().map(c -> c.tint().id()).toList(), wanted.order());
        return nearest.stream()
                .filter(c -> mends(lacking, sitting.article(c.tint().id()), verdict))
                .limit(MOST_COLOURS)
                .map(c -> new OfferView(
                        OfferedChange.COLOUR,
                        lacking.code(),
                        c.tint().code(),
                        sitting.article(c.tint().id()).name(),
                        DifferenceView.of(c.difference(), c.tint().colour())))
                .toList();
    }

    private boolean mends(Article lacking, Article other, Verdict verdict) {
        return sitting.tryOut(worked.spec().replacing(lacking.id(), other.id()))
                .fold(
                        piece -> {
                            long each = 0;
                            for (WorkedStrand strand : piece.strands()) {
                                Article now = worked.cords().get(strand.slot());
                                each += now.id() == lacking.id() || now.id() == other.id()
                                        ? strand.cutLength().micrometres()
                                        : 0;
                            }
                            return verdict(judge(other, each)).compareTo(verdict) < 0;
                        },
                        faults -> false);
    }

    /** A lot on hand is not as thick as its name says; the piece is worked out with the thickest. */
    private static CheckView measured(Article article) {
        return new CheckView(
                "lot.measured",
                Verdict.GOOD,
                Map.of(
                        "measured", article.cord().diameter().micrometres(),
                        "named", article.diameterOf().micrometres()),
                Map.of(),
                named(article),
                List.of());
    }

    private CheckView hardware(Article article, long each) {
        long count = each * wanted.quantity();
        return new CheckView(
                "hardware",
                free(article) >= count ? Verdict.GOOD : Verdict.NO,
                Map.of(),
                Map.of("needed", (double) count, "free", (double) free(article), "onHand", (double) article.onHand()),
                named(article),
                List.of());
    }

    /** Glue that runs out is worth a word, but no piece waits for it: how much is used is a guess. */
    private Optional<CheckView> consumable(Article article, long each) {
        long needed = each * wanted.quantity();
        return free(article) >= needed
                ? Optional.empty()
                : Optional.of(new CheckView(
                        "consumable." + article.unit(),
                        Verdict.TIGHT,
                        article.unit() == Unit.METRE ? Map.of("needed", needed, "free", free(article)) : Map.of(),
                        article.unit() == Unit.METRE
                                ? Map.of()
                                : Map.of(
                                        "needed",
                                                (double) needed / article.unit().parts(),
                                        "free",
                                                (double) free(article)
                                                        / article.unit().parts()),
                        named(article),
                        List.of()));
    }

    static String named(Article article) {
        return article.code() + " " + article.name();
    }
}
