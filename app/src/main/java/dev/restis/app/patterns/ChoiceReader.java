package dev.restis.app.patterns;

import dev.restis.app.patterns.PieceSpec.PartSpec;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.piece.Wearer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Understands a piece's choices, or says for each field why not. */
final class ChoiceReader {

    private final PieceChoices choices;
    private final PatternShelf.Shelved shelved;
    private final SizeTable sizes;
    private final Function<String, Optional<Article>> articles;
    private final List<Fault> faults = new ArrayList<>();

    /**
     * @param articles by their codes in capitals
     */
    ChoiceReader(
            PieceChoices choices,
            PatternShelf.Shelved shelved,
            SizeTable sizes,
            Function<String, Optional<Article>> articles) {
        this.choices = choices;
        this.shelved = shelved;
        this.sizes = sizes;
        this.articles = articles;
    }

    List<Fault> faults() {
        return faults;
    }

    /** What was understood; only complete when there are no faults. */
    PieceSpec read() {
        Pattern pattern = shelved.pattern();
        boolean band = pattern.kind().sizedByWrist();
        Optional<SizeTable.Row> size = band ? size() : Optional.empty();
        Optional<Length> wrist =
                band ? length("wrist", choices.wrist()).or(() -> size.map(SizeTable.Row::wrist)) : Optional.empty();
        Optional<Length> measuredHand = band ? length("hand", choices.hand()) : Optional.empty();
        Optional<Length> hand = measuredHand.or(() -> wrist.map(sizes::handFor));
        Optional<Length> length = band ? Optional.empty() : length("length", choices.length());
        if (faults.isEmpty() && band && wrist.isEmpty()) {
            faults.add(Fault.of("wrist", "wrist.missing"));
        }
        if (faults.isEmpty() && !band && length.isEmpty()) {
            faults.add(Fault.of("length", "length.missing"));
        }
        return new PieceSpec(
                pattern.code(),
                shelved.version(),
                size.map(SizeTable.Row::name).orElse(null),
                micrometres(wrist),
                micrometres(hand),
                measuredHand.isEmpty(),
                word("ease", choices.ease(), Ease.COMFORTABLE),
                micrometres(length),
                colours(pattern),
                parts(pattern),
                Boolean.TRUE.equals(choices.kit()),
                word("wearer", choices.wearer(), Wearer.ADULT),
                Boolean.TRUE.equals(choices.tapered()),
                choices.units(),
                null);
    }

    private Optional<SizeTable.Row> size() {
        Optional<String> name = Texts.given(choices.size());
        Optional<SizeTable.Row> row = name.flatMap(sizes::byName);
        if (name.isPresent() && row.isEmpty()) {
            String known = String.join(
                    ", ", sizes.rows().stream().map(SizeTable.Row::name).toList());
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
        for (int slot = 0; slot < pattern.cords().size(); slot++) {
            String field = "colours[" + slot + "]";
            String code = slot < choices.colours().size() ? choices.colours().get(slot) : "";
            if (Texts.given(code).isEmpty()) {
                faults.add(Fault.of(field, "colour.missing"));
            }
            article(field, code, ArticleKind.CORD).ifPresent(a -> ids.add(a.id()));
        }
        return ids;
    }

    private List<PartSpec> parts(Pattern pattern) {
        Map<String, PieceChoices.PartChoice> chosen = choices.parts() == null ? Map.of() : choices.parts();
        Set<String> unknown = new HashSet<>(chosen.keySet());
        List<PartSpec> parts = new ArrayList<>();
        for (HardwareSlot slot : pattern.hardware()) {
            unknown.remove(slot.code());
            part(slot, chosen.get(slot.code())).ifPresent(parts::add);
        }
        chosen.forEach((slot, choice) -> {
            if (unknown.contains(slot) && (Texts.given(choice.article()).isPresent() || count(choice) != 0)) {
                boolean beads = slot.equals("bead");
                faults.add(Fault.of(
                        "parts[" + slot + "]" + (beads ? ".count" : ""),
                        beads ? "beads.none" : "part.unknown",
                        slot,
                        String.join(
                                ", ",
                                pattern.hardware().stream()
                                        .map(HardwareSlot::code)
                                        .toList())));
            }
        });
        return parts;
    }

    private static int count(PieceChoices.@Nullable PartChoice choice) {
        return choice == null || choice.count() == null ? 0 : choice.count();
    }

    private Optional<PartSpec> part(HardwareSlot slot, PieceChoices.@Nullable PartChoice choice) {
        String field = "parts[" + slot.code() + "]";
        Optional<String> given = choice == null ? Optional.empty() : Texts.given(choice.article());
        Optional<Article> article = given.flatMap(code -> article(field, code, ArticleKind.of(slot.kind())));
        int count = count(choice);
        if (slot.chosenCount() > 0) {
            if (count < 0) {
                faults.add(Fault.of(field + ".count", "beads.negative", count));
            } else if (count > 0 && given.isEmpty()) {
                faults.add(Fault.of(field, "bead.missing", count));
            } else if (count == 0 && given.isPresent()) {
                faults.add(Fault.of(field + ".count", "beads.zero"));
            }
            return article.filter(a -> count > 0).map(a -> new PartSpec(slot.code(), a.id(), count));
        }
        if (given.isEmpty() && !slot.optional()) {
            faults.add(Fault.of(field, "part.missing", slot.code()));
        }
        return article.map(a -> new PartSpec(slot.code(), a.id(), 0));
    }

    private Optional<Article> article(String field, @Nullable String code, ArticleKind kind) {
        Optional<String> given = Texts.given(code).map(c -> c.toUpperCase(Locale.ROOT));
        Optional<Article> article = given.flatMap(articles).filter(a -> a.kind() == kind);
        if (given.isPresent() && article.isEmpty()) {
            faults.add(Fault.of(field, "article.unknown", given.get()));
        }
        return article;
    }

    /** One of an enumeration's constants, by its name; {@code usual} when nothing is said. */
    private <E extends Enum<E>> E word(String field, @Nullable String text, E usual) {
        Optional<String> given =
                Texts.given(text).map(e -> e.toUpperCase(Locale.ROOT).replace(' ', '_'));
        for (E value : usual.getDeclaringClass().getEnumConstants()) {
            if (value.name().equals(given.orElse(usual.name()))) {
                return value;
            }
        }
        faults.add(Fault.of(field, field + ".unknown", given.orElse("")));
        return usual;
    }

    private static @Nullable Long micrometres(Optional<Length> length) {
        return length.map(Length::micrometres).orElse(null);
    }
}
