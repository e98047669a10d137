package dev.restis.app.stock;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.RowsFile;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.app.stock.Articles.NewArticle;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Occasion;
import dev.restis.core.stock.Unit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Articles out to files and in from them; what is written out reads in as the same. */
@Service
class ArticleFiles {

    private static final List<String> COLUMNS = List.of(
            "code",
            "kind",
            "name",
            "colour",
            "material",
            "diameter",
            "keep",
            "across",
            "length",
            "hole",
            "inner width",
            "bar",
            "unit",
            "use");
    private static final Map<Measure, String> COLUMN_OF = new EnumMap<>(Map.of(
            Measure.ACROSS, "across",
            Measure.LENGTH, "length",
            Measure.HOLE, "hole",
            Measure.INNER_WIDTH, "inner width",
            Measure.BAR, "bar"));

    /** What becomes of a row. */
    enum RowState {
        NEW,
        KNOWN,
        DIFFERENT,
        BAD
    }

    /** Which rows are taken. */
    enum Mode {
        /** New articles alone. */
        NEW,
        /** New ones, and those that differ become what the file says; nothing is taken if a row cannot be read. */
        ALL
    }

    /** A field that says something else in the file. */
    record Change(String field, String now, String then) {}

    record ArticleLine(
            long number,
            RowState state,
            String code,
            String name,
            String colour,
            List<Change> changes,
            List<FieldProblem> problems) {}

    /**
     * A file as it was understood.
     *
     * @param unknown columns that say nothing to Restis
     */
    record ArticleFile(
            RowsFile.Form form,
            List<String> unknown,
            List<ArticleLine> rows,
            int fresh,
            int known,
            int different,
            int bad) {}

    /**
     * A row as it was read.
     *
     * @param there the article that it changes, where there is one
     */
    private record Understood(
            ArticleLine line, ArticleRow read, @Nullable ArticleRow there) {}

    /** What rows are held against. */
    private record Beside(UnitSystem units, Set<String> materials, Map<String, ArticleRow> there, Set<String> seen) {}

    private final Articles articles;
    private final ArticleStore store;
    private final FaultWords words;
    private final JsonMapper json =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    ArticleFiles(Articles articles, ArticleStore store, FaultWords words) {
        this.articles = articles;
        this.store = store;
        this.words = words;
    }

    @Transactional(readOnly = true)
    public ArticleFile preview(byte[] bytes, UnitSystem units) {
        RowsFile file = RowsFile.read(bytes, "articles");
        return view(file, understand(file, units));
    }

    @Transactional
    public ArticleFile take(byte[] bytes, UnitSystem units, Mode mode) {
        RowsFile file = RowsFile.read(bytes, "articles");
        List<Understood> rows = understand(file, units);
        ArticleFile view = view(file, rows);
        if (mode == Mode.ALL && view.bad() > 0) {
            throw new Rejected(Fault.of("file", "file.badRows", view.bad()));
        }
        for (Understood row : rows) {
            switch (row.line().state()) {
                case NEW -> store.save(row.read());
                case DIFFERENT -> {
                    if (mode == Mode.ALL && row.there() != null) {
                        articles.takeOver(row.there(), row.read());
                    }
                }
                case KNOWN, BAD -> {}
            }
        }
        return view;
    }

    private static ArticleFile view(RowsFile file, List<Understood> rows) {
        List<ArticleLine> lines = rows.stream().map(Understood::line).toList();
        return new ArticleFile(
                file.form(),
                file.columns().stream().filter(c -> !COLUMNS.contains(field(c))).toList(),
                lines,
                count(lines, RowState.NEW),
                count(lines, RowState.KNOWN),
                count(lines, RowState.DIFFERENT),
                count(lines, RowState.BAD));
    }

    private static int count(List<ArticleLine> lines, RowState state) {
        return (int) lines.stream().filter(l -> l.state() == state).count();
    }

    private static String field(String column) {
        return column.strip().toLowerCase(Locale.ROOT);
    }

    private List<Understood> understand(RowsFile file, UnitSystem units) {
        Map<String, ArticleRow> there = new HashMap<>();
        store.findAll().forEach(a -> there.put(a.code(), a));
        Beside beside = new Beside(units, articles.knownMaterials(), there, new HashSet<>());
        List<Understood> rows = new ArrayList<>();
        for (RowsFile.Row row : file.rows()) {
            Map<String, String> cells = new TreeMap<>();
            row.cells().forEach((column, cell) -> cells.put(field(column), plain(cell)));
            rows.add(understand(row.number(), cells, beside));
        }
        return rows;
    }

    /** Without the apostrophe that keeps a spreadsheet from taking text for a formula. */
    private static String plain(String cell) {
        return cell.replaceFirst("^'(?=[=+\\-@])", "");
    }

    private Understood understand(long number, Map<String, String> cells, Beside beside) {
        List<Fault> faults = new ArrayList<>();
        Optional<ArticleKind> kind = Optional.ofNullable(named(ArticleKind.values(), cells.getOrDefault("kind", "")));
        NewArticle input = input(cells, kind.orElse(ArticleKind.CORD), beside.units());
        List<Fault> found = new ArrayList<>();
        ArticleRow read = Articles.read(input, beside.materials(), found);
        if (kind.isEmpty()) {
            faults.add(Fault.of("kind", "article.kind", cells.getOrDefault("kind", "")));
        } else {
            found.forEach(f -> faults.add(new Fault(column(f.field()), f.code(), f.args())));
        }
        if (!read.code().isEmpty() && !beside.seen().add(read.code())) {
            faults.add(Fault.of("code", "article.twice", read.code()));
        }
        ArticleRow now = beside.there().get(read.code());
        if (now != null && kind.isPresent() && now.kind() != read.kind()) {
            faults.add(Fault.of("kind", "article.kindStays", read.code()));
        } else if (now != null && kind.isPresent() && now.unit() != read.unit()) {
            faults.add(Fault.of("unit", "article.unitStays", read.code()));
        }
        List<Change> changes = faults.isEmpty() && now != null ? changes(now, read) : List.of();
        RowState state = !faults.isEmpty()
                ? RowState.BAD
                : now == null ? RowState.NEW : changes.isEmpty() ? RowState.KNOWN : RowState.DIFFERENT;
        ArticleLine line =
                new ArticleLine(number, state, read.code(), input.name(), input.colour(), changes, words.of(faults));
        return new Understood(line, read, now);
    }

    private static NewArticle input(Map<String, String> cells, ArticleKind kind, UnitSystem units) {
        Map<Measure, String> measures = new EnumMap<>(Measure.class);
        COLUMN_OF.forEach(
                (measure, column) -> Texts.given(cells.get(column)).ifPresent(text -> measures.put(measure, text)));
        return new NewArticle(
                cells.getOrDefault("code", ""),
                kind,
                cells.getOrDefault("name", ""),
                cells.getOrDefault("colour", "").strip().toUpperCase(Locale.ROOT),
                Texts.given(cells.get("material"))
                        .map(m -> m.toLowerCase(Locale.ROOT))
                        .orElse(null),
                cells.get("diameter"),
                cells.get("keep"),
                measures,
                unit(cells.getOrDefault("unit", "")),
                uses(cells.getOrDefault("use", "")),
                units);
    }

    private static @Nullable Unit unit(String text) {
        return named(Unit.values(), text);
    }

    /** How an enum's constant is written in a file. */
    static String plainName(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static <E extends Enum<E>> @Nullable E named(E[] all, String text) {
        return Arrays.stream(all)
                .filter(e -> plainName(e).equals(text.strip().toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElse(null);
    }

    /** Uses as {@code end glued: 0.05 ml; piece: 1}; what names no occasion counts for every piece, to be told as unread. */
    private static Map<Occasion, String> uses(String text) {
        Map<Occasion, String> uses = new EnumMap<>(Occasion.class);
        for (String part : text.split(";")) {
            String[] sides = part.split(":", 2);
            Occasion occasion = named(Occasion.values(), sides[0]);
            if (!part.isBlank()) {
                uses.put(
                        occasion == null ? Occasion.PIECE : occasion,
                        occasion == null || sides.length < 2 ? part.strip() : sides[1]);
            }
        }
        return uses;
    }

    private static String column(String field) {
        if (field.startsWith("uses.")) {
            return "use";
        }
        return COLUMN_OF.entrySet().stream()
                .filter(e -> field.equals("measures." + e.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse(field);
    }

    private static List<Change> changes(ArticleRow now, ArticleRow then) {
        Map<String, Object> before = now.said();
        Map<String, Object> after = then.said();
        List<Change> changes = new ArrayList<>();
        for (String column : COLUMNS) {
            if (!Objects.equals(text(before.get(column)), text(after.get(column)))) {
                changes.add(new Change(column, text(before.get(column)), text(after.get(column))));
            }
        }
        return changes;
    }

    private static String text(@Nullable Object said) {
        if (said instanceof Long micrometres) {
            return new Length(micrometres).toString();
        }
        if (said instanceof Enum<?> constant) {
            return plainName(constant);
        }
        return said == null ? "" : said.toString();
    }

    private List<Map<String, String>> all() {
        List<Map<String, String>> all = new ArrayList<>();
        for (ArticleRow article : store.findAll(Sort.by("kind", "code"))) {
            Map<String, String> fields = new LinkedHashMap<>();
            fields.put("code", article.code());
            article.said().forEach((field, said) -> fields.put(field, text(said)));
            all.add(fields);
        }
        return all;
    }

    @Transactional(readOnly = true)
    public String csv() {
        List<List<Object>> rows = all().stream()
                .map(fields -> COLUMNS.stream()
                        .map(column -> (Object) fields.getOrDefault(column, ""))
                        .toList())
                .toList();
        return CsvText.of(COLUMNS, rows);
    }

    @Transactional(readOnly = true)
    public String json() {
        return json.writeValueAsString(Map.of("articles", all()));
    }
}
