package dev.restis.app.orders;

import dev.restis.app.orders.OrderReads.LineTrial;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceView.Wanted;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.Reading;
import dev.restis.core.order.Shorthand;
import dev.restis.core.order.Vocabulary;
import dev.restis.core.order.Vocabulary.CordPlace;
import dev.restis.core.order.Vocabulary.CordWord;
import dev.restis.core.order.Vocabulary.PartPlace;
import dev.restis.core.order.Vocabulary.PartWord;
import dev.restis.core.order.Vocabulary.PatternWord;
import dev.restis.core.pattern.Pattern;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Orders written in a line: what was understood of it, worked out while it is being typed. */
@Service
class QuickEntry {

    /** A stretch of the text, what it was taken for, and the name and colour of what it means. */
    record MarkView(
            int from,
            int to,
            Reading.Kind kind,
            String place,
            String value,
            String name,
            String colour,
            List<Reading.Choice> choices) {}

    /**
     * A line as understood, in the words that taking an order takes.
     *
     * @param trial the piece, its price and its day; or what is missing
     */
    record LineReading(PieceChoices choices, int quantity, boolean matching, String note, LineTrial trial) {}

    /**
     * A text as understood.
     *
     * @param clear whether every word was understood in one way only
     */
    record TextView(
            List<MarkView> marks,
            boolean clear,
            @Nullable String customer,
            @Nullable LocalDate due,
            List<LineReading> lines) {}

    private final PieceDesk desk;
    private final OrderReads reads;
    private final Clock clock;

    QuickEntry(PieceDesk desk, OrderReads reads, Clock clock) {
        this.desk = desk;
        this.reads = reads;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public TextView read(String text, UnitSystem units) {
        if (text.length() > Shorthand.LONGEST) {
            throw new Rejected(Fault.of("text", "tooLong", Shorthand.LONGEST));
        }
        PieceDesk.Sitting sitting = desk.sit();
        Map<String, Pattern> patterns = new HashMap<>();
        sitting.patterns().forEach(p -> patterns.put(p.code(), p));
        Reading reading = Shorthand.read(text, vocabulary(sitting), units, LocalDate.now(clock));
        List<LineReading> lines = new ArrayList<>();
        for (Reading.Line line : reading.lines()) {
            PieceChoices choices = choices(
                    line, Optional.ofNullable(patterns.get(line.pattern().orElse(""))), units);
            lines.add(new LineReading(
                    choices,
                    line.quantity(),
                    line.matching(),
                    line.note(),
                    line.pattern().isEmpty()
                            ? LineTrial.NOTHING
                            : reads.tryOut(
                                    sitting,
                                    choices,
                                    new Wanted(line.quantity(), line.matching(), null),
                                    reading.due().orElse(null))));
        }
        return new TextView(
                reading.marks().stream().map(m -> mark(m, sitting)).toList(),
                reading.clear(),
                reading.customer().orElse(null),
                reading.due().orElse(null),
                lines);
    }

    private static MarkView mark(Reading.Mark mark, PieceDesk.Sitting sitting) {
        Optional<Article> article = sitting.articles().stream()
                .filter(a -> a.code().equals(mark.value()))
                .findFirst();
        String name = mark.kind() == Reading.Kind.PATTERN
                ? sitting.patternName(mark.value())
                : article.map(Article::name).orElse("");
        return new MarkView(
                mark.from(),
                mark.to(),
                mark.kind(),
                mark.place(),
                mark.value(),
                name,
                article.map(Article::colour).orElse(""),
                mark.choices());
    }

    private static PieceChoices choices(Reading.Line line, Optional<Pattern> pattern, UnitSystem units) {
        List<String> colours = pattern.stream()
                .flatMap(p -> p.cords().stream())
                .map(c -> line.colours().getOrDefault(c.code(), ""))
                .toList();
        Map<String, PieceChoices.PartChoice> parts = new HashMap<>();
        line.parts()
                .forEach((place, part) -> parts.put(place, new PieceChoices.PartChoice(part.article(), part.count())));
        return new PieceChoices(
                line.pattern().orElse(""),
                line.size().orElse(null),
                line.wrist().orElse(null),
                line.hand().orElse(null),
                line.ease().orElse(null),
                line.length().orElse(null),
                colours,
                parts,
                line.kit(),
                line.wearer().orElse(null),
                line.tapered(),
                units);
    }

    private static Vocabulary vocabulary(PieceDesk.Sitting sitting) {
        List<CordWord> cords = new ArrayList<>();
        List<PartWord> parts = new ArrayList<>();
        for (Article article : sitting.articles()) {
            if (article.kind() == ArticleKind.CORD) {
                cords.add(new CordWord(article.code(), article.name(), article.diameterOf()));
            } else {
                parts.add(new PartWord(
                        article.code(), article.name(), article.kind().name()));
            }
        }
        return new Vocabulary(
                sitting.patterns().stream().map(QuickEntry::word).toList(), cords, parts, sitting.sizes());
    }

    private static PatternWord word(Pattern pattern) {
        return new PatternWord(
                pattern.code(),
                pattern.name(),
                pattern.kind().sizedByWrist(),
                pattern.cords().stream()
                        .map(c -> new CordPlace(c.code(), c.gauge()))
                        .toList(),
                pattern.hardware().stream()
                        .map(h -> new PartPlace(h.code(), kind(h.kind()), h.chosenCount() > 0))
                        .toList());
    }

    private static String kind(Hardware.Kind kind) {
        return ArticleKind.of(kind).name();
    }
}
