package dev.restis.app.patterns;

import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Understands a piece's choices, or says for each field why not. */
final class ChoiceReader {

    private final PieceChoices choices;
    private final Map<String, Article> articles;
    private final List<Fault> faults = new ArrayList<>();

    ChoiceReader(PieceChoices choices, Map<String, Article> articles) {
        this.choices = choices;
        this.articles = articles;
    }

    List<Fault> faults() {
        return faults;
    }

    /** What was understood; only complete when there are no faults. */
    Optional<PieceSpec> read() {
        Optional<Pattern> pattern = PatternBook.byCode(choices.pattern());
        if (pattern.isEmpty()) {
            String known = String.join(
                    ", ", PatternBook.all().stream().map(Pattern::code).toList());
            faults.add(Fault.of("pattern", "pattern.unknown", choices.pattern(), known));
            return Optional.empty();
        }
        boolean band = pattern.get().kind() == Pattern.Kind.BRACELET;
        Optional<SizeTable.Row> size = band ? size() : Optional.empty();
        Optional<Length> wrist =
                band ? length("wrist", choices.wrist()).or(() -> size.map(SizeTable.Row::wrist)) : Optional.empty();
        Optional<Length> measuredHand = band ? length("hand", choices.hand()) : Optional.empty();
        Optional<Length> hand = measuredHand.or(() -> wrist.map(SizeTable.HOUSE::handFor));
        Optional<Length> length = band ? Optional.empty() : length("length", choices.length());
        if (faults.isEmpty() && band && wrist.isEmpty()) {
            faults.add(Fault.of("wrist", "wrist.missing"));
        }
        if (faults.isEmpty() && !band && length.isEmpty()) {
            faults.add(Fault.of("length", "length.missing"));
        }
        List<Long> colours = colours(pattern.get());
        Optional<Article> bead = article("bead", choices.bead(), ArticleKind.BEAD);
        Optional<Article> ring = article("ring", choices.ring(), ArticleKind.RING);
        int beadCount = beadCount(bead.isPresent());
        if (pattern.get().hangsOnRing() && ring.isEmpty()) {
            faults.add(Fault.of("ring", "ring.missing"));
        }
        Ease ease = ease();
        return Optional.of(new PieceSpec(
                pattern.get().code(),
                size.map(SizeTable.Row::name).orElse(null),
                micrometres(wrist),
                micrometres(hand),
                measuredHand.isEmpty(),
                ease,
                micrometres(length),
                colours,
                bead.filter(b -> beadCount > 0).map(Article::id).orElse(null),
                bead.isPresent() ? beadCount : 0,
                pattern.get().hangsOnRing() ? ring.map(Article::id).orElse(null) : null,
                choices.units()));
    }

    private Optional<SizeTable.Row> size() {
        Optional<String> name = Texts.given(choices.size());
        Optional<SizeTable.Row> row = name.flatMap(SizeTable.HOUSE::byName);
        if (name.isPresent() && row.isEmpty()) {
            String known = String.join(
                    ", ",
                    SizeTable.HOUSE.rows().stream().map(SizeTable.Row::name).toList());
            faults.add(Fault.of("size", "size.unknown", name.get(), known));
        }
        return row;
    }

    private Optional<Length> length(String field, @Nullable String text) {
        Optional<String> given = Texts.given(text);
        Optional<Length> length = given.flatMap(t -> LengthReader.read(t, choices.units()));
        if (given.isPresent() && length.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", given.get()));
        }
        return length;
    }

    private List<Long> colours(Pattern pattern) {
        List<Long> ids = new ArrayList<>();
        for (int slot = 0; slot < pattern.slots().size(); slot++) {
            String field = "colours[" + slot + "]";
            String code = slot < choices.colours().size() ? choices.colours().get(slot) : "";
            if (Texts.given(code).isEmpty()) {
                faults.add(Fault.of(field, "colour.missing"));
            }
            article(field, code, ArticleKind.CORD).ifPresent(a -> ids.add(a.id()));
        }
        return ids;
    }

    private Optional<Article> article(String field, @Nullable String code, ArticleKind kind) {
        Optional<String> given = Texts.given(code).map(c -> c.toUpperCase(Locale.ROOT));
        Optional<Article> article = given.map(articles::get).filter(a -> a.kind() == kind);
        if (given.isPresent() && article.isEmpty()) {
            faults.add(Fault.of(field, "article.unknown", given.get()));
        }
        return article;
    }

    private int beadCount(boolean bead) {
        int count = choices.beadCount() == null ? 0 : choices.beadCount();
        if (count < 0) {
            faults.add(Fault.of("beadCount", "beads.negative", count));
        } else if (count > 0 && !bead && Texts.given(choices.bead()).isEmpty()) {
            faults.add(Fault.of("bead", "bead.missing", count));
        } else if (count == 0 && bead) {
            faults.add(Fault.of("beadCount", "beads.zero"));
        }
        return count;
    }

    private Ease ease() {
        Optional<String> given = Texts.given(choices.ease()).map(e -> e.toUpperCase(Locale.ROOT));
        for (Ease ease : Ease.values()) {
            if (ease.name().equals(given.orElse("COMFORTABLE"))) {
                return ease;
            }
        }
        faults.add(Fault.of("ease", "ease.unknown", given.orElse("")));
        return Ease.COMFORTABLE;
    }

    private static @Nullable Long micrometres(Optional<Length> length) {
        return length.map(Length::micrometres).orElse(null);
    }
}
