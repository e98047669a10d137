package dev.restis.app.platform;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A file of orders or articles as rows of named cells, whatever it was written with. The formats are described in docs/formats.md.
 *
 * @param form how it was written, as it was recognised
 * @param columns the file's own names, in their order
 */
public record RowsFile(Form form, List<String> columns, List<Row> rows) {

    public static final int MOST_ROWS = 10_000;
    private static final int MOST_COLUMNS = 200;

    /** Where rows may hold rows of their own, in JSON. */
    private static final String LINES = "lines";

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /**
     * How a file was written.
     *
     * @param encoding of its letters
     * @param kind CSV or JSON
     * @param separator between cells, for CSV
     * @param decimalComma whether numbers in it have a comma for their decimals
     */
    public record Form(String encoding, String kind, String separator, boolean decimalComma) {}

    /** A row of the file; cells by the file's own names for them. */
    public record Row(long number, Map<String, String> cells) {}

    /**
     * @param called how a list of things may be called in JSON
     */
    public static RowsFile read(byte[] bytes, String called) {
        FileText text = FileText.of(bytes);
        String start = text.text().stripLeading();
        RowsFile file = start.startsWith("[") || start.startsWith("{") ? json(text, called) : csv(text);
        if (file.rows().size() > MOST_ROWS) {
            throw new Rejected(Fault.of("file", "file.rows", MOST_ROWS));
        }
        if (file.rows().isEmpty()) {
            throw new Rejected(Fault.of("file", "file.empty"));
        }
        return file;
    }

    private static RowsFile csv(FileText text) {
        String separator = separator(text.text());
        try (CSVParser parser = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(true)
                .setIgnoreSurroundingSpaces(true)
                .get()
                .parse(new StringReader(text.text()))) {
            List<Row> rows = new ArrayList<>();
            List<String> columns = List.of();
            for (CSVRecord record : parser) {
                if (columns.isEmpty()) {
                    columns = record.stream().map(String::strip).toList();
                } else if (record.stream().anyMatch(c -> !c.isBlank()) && rows.size() <= MOST_ROWS) {
                    rows.add(row(columns, record, rows.size() + 1));
                }
            }
            return new RowsFile(new Form(text.encoding(), "CSV", separator, decimalComma(rows)), columns, rows);
        } catch (IOException | java.io.UncheckedIOException e) {
            throw new Rejected(Fault.of("file", "file.broken"));
        }
    }

    private static Row row(List<String> columns, CSVRecord record, long number) {
        Map<String, String> cells = new TreeMap<>();
        for (int i = 0; i < Math.min(columns.size(), record.size()); i++) {
            cells.putIfAbsent(columns.get(i), record.get(i).strip());
        }
        return new Row(number, cells);
    }

    /** What parts most of the first line's cells. */
    private static String separator(String text) {
        String first = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        String best = ",";
        for (String candidate : List.of(";", "\t", "|")) {
            if (first.split(java.util.regex.Pattern.quote(candidate), -1).length > first.split(best, -1).length) {
                best = candidate;
            }
        }
        return best;
    }

    private static boolean decimalComma(List<Row> rows) {
        return rows.stream()
                .limit(200)
                .flatMap(r -> r.cells().values().stream())
                .anyMatch(c -> c.matches("\\d{1,4},\\d{1,3}(\\s*(mm|cm|m|in))?"));
    }

    /** A list of orders; an order's {@code lines} are its rows, each with what stands at the order itself. */
    private static RowsFile json(FileText text, String called) {
        List<Row> rows = new ArrayList<>();
        Set<String> columns = new LinkedHashSet<>();
        try {
            JsonNode root = JSON.readTree(text.text());
            JsonNode things = root.isObject() && root.has(called) ? root.path(called) : root;
            for (JsonNode thing : things.isArray() ? things : List.of(things)) {
                Map<String, String> head = cells(thing);
                JsonNode lines = thing.path(LINES);
                for (JsonNode line : lines.isArray() ? lines : List.of(JSON.createObjectNode())) {
                    Map<String, String> cells = new TreeMap<>(head);
                    cells.putAll(cells(line));
                    columns.addAll(cells.keySet());
                    // What stands at an order is copied into each of its lines: both are bounded, or a small file fills
                    // the memory.
                    if (columns.size() > MOST_COLUMNS) {
                        throw new Rejected(Fault.of("file", "file.tooWide", MOST_COLUMNS));
                    }
                    if (rows.size() > MOST_ROWS) {
                        throw new Rejected(Fault.of("file", "file.rows", MOST_ROWS));
                    }
                    rows.add(new Row(rows.size() + 1, cells));
                }
            }
        } catch (JacksonException e) {
            throw new Rejected(Fault.of("file", "file.json"));
        }
        return new RowsFile(new Form(text.encoding(), "JSON", "", false), List.copyOf(columns), rows);
    }

    private static Map<String, String> cells(JsonNode object) {
        Map<String, String> cells = new TreeMap<>();
        object.properties().forEach(e -> {
            if (e.getKey().equals("colours") && e.getValue().isArray()) {
                for (int i = 0; i < e.getValue().size(); i++) {
                    cells.put("colour " + (i + 1), e.getValue().path(i).asString(""));
                }
            } else if (e.getValue().isValueNode()) {
                cells.put(
                        e.getKey(),
                        e.getValue().isNull() ? "" : e.getValue().asString("").strip());
            }
        });
        return cells;
    }
}
