package dev.restis.app.patterns;

import dev.restis.app.patterns.PatternShelf.Shelved;
import dev.restis.app.patterns.PieceDesk.Sitting;
import dev.restis.app.patterns.PieceDesk.Worked;
import dev.restis.app.patterns.PieceSpec.PartSpec;
import dev.restis.app.patterns.PieceView.OfferView;
import dev.restis.app.patterns.PieceView.OfferedChange;
import dev.restis.app.stock.Article;
import dev.restis.core.fit.Ease;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Section;
import dev.restis.core.piece.Check;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.WorkedPiece;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** Finds the changes that would mend a check; each was tried, so what is offered helps. */
final class Remedies {

    /** More alternatives than this are no help to choose from. */
    private static final int MOST_PARTS = 4;
    /** Checks that another ease can mend. */
    private static final Set<String> OF_SIZE = Set.of("fits", "stretches", "closes");

    private final Sitting sitting;
    private final Worked worked;

    Remedies(Sitting sitting, Worked worked) {
        this.sitting = sitting;
        this.worked = worked;
    }

    List<OfferView> of(Check check) {
        List<OfferView> offers = new ArrayList<>();
        if (check.verdict() == Verdict.GOOD) {
            return offers;
        }
        if (check.code().equals("hole") && check.verdict() == Verdict.TIGHT) {
            offers.add(new OfferView(OfferedChange.TAPER, "", "", ""));
        }
        if (OF_SIZE.contains(check.code())) {
            offers.addAll(otherEases(check));
        }
        if (check.code().equals("bar")) {
            fewerRuns(check).ifPresent(offers::add);
        }
        offers.addAll(otherParts(check));
        return offers;
    }

    private List<OfferView> otherEases(Check check) {
        List<OfferView> offers = new ArrayList<>();
        for (Ease ease : Ease.values()) {
            if (ease != worked.spec().ease()
                    && mends(worked.spec().with(ease), c -> c.code().equals(check.code()))) {
                offers.add(new OfferView(OfferedChange.EASE, "", ease.name(), ""));
            }
        }
        return offers;
    }

    /** The pattern that is made alike of one run or more fewer, and still of as many as fit. */
    private Optional<OfferView> fewerRuns(Check check) {
        Pattern now = worked.piece().request().pattern();
        return sitting.shelved().stream()
                .filter(s -> madeAlike(now, s.pattern()) && strands(s.pattern()) < strands(now))
                .sorted(Comparator.comparing((Shelved s) -> strands(s.pattern()))
                        .reversed()
                        .thenComparing(s -> s.pattern().code()))
                .filter(s -> mends(worked.spec().with(s), c -> c.code().equals(check.code())))
                .findFirst()
                .map(s -> new OfferView(
                        OfferedChange.PATTERN,
                        "",
                        s.pattern().code(),
                        s.pattern().name()));
    }

    private static boolean madeAlike(Pattern one, Pattern other) {
        return one.kind() == other.kind()
                && one.closure() == other.closure()
                && one.cords().size() == other.cords().size()
                && stitches(one).equals(stitches(other));
    }

    private static Set<String> stitches(Pattern pattern) {
        return pattern.all(Section.Body.class).stream()
                .map(b -> b.stitch().code())
                .collect(Collectors.toSet());
    }

    private static int strands(Pattern pattern) {
        return pattern.roles().stream()
                .mapToInt(r -> r.count() * r.legs().size())
                .sum();
    }

    /** Other articles of the same kind with which everything about that part would be good. */
    private List<OfferView> otherParts(Check check) {
        Optional<HardwareSlot> slot = worked.piece().request().pattern().hardware(check.part());
        if (slot.isEmpty()) {
            return List.of();
        }
        Article.ArticleKind kind = Article.ArticleKind.of(slot.get().kind());
        return sitting.articles(kind).stream()
                .filter(a -> mends(with(check.part(), a), c -> c.part().equals(check.part())))
                .sorted(Comparator.comparing((Article a) -> a.onHand() > 0 ? 0 : 1)
                        .thenComparing(Article::code))
                .limit(MOST_PARTS)
                .map(a -> new OfferView(OfferedChange.PART, check.part(), a.code(), a.name()))
                .toList();
    }

    private PieceSpec with(String slot, Article article) {
        return worked.spec()
                .with(worked.spec().parts().stream()
                        .map(p -> p.slot().equals(slot) ? new PartSpec(slot, article.id(), p.count()) : p)
                        .toList());
    }

    /** Whether the piece could be made so, with nothing said against it by the checks that are asked about. */
    private boolean mends(PieceSpec other, Predicate<Check> asked) {
        return sitting.tryOut(other).fold(piece -> good(piece, asked), faults -> false);
    }

    private static boolean good(WorkedPiece piece, Predicate<Check> asked) {
        return piece.checks().stream().filter(asked).allMatch(c -> c.verdict() == Verdict.GOOD);
    }
}
