package dev.restis.app.orders;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Reads an order file into rows of named cells. The format is described in docs/formats.md. */
final class OrderFile {

    static final int MOST_ROWS = 10_000;
    private static final Set<String> NEEDED = Set.of("reference", "customer", "quantity", "pattern", "colour 1");

    /** A row of the file; cells that the file lacks read as empty. */
    record Row(long number, Map<String, String> cells) {
        String cell(String name) {
            return cells.getOrDefault(name, "").strip();
        }
    }

    private OrderFile() {}

    static List<Row> read(byte[] bytes) {
        String text = text(bytes);
        try (CSVParser parser = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter(text))
                .setIgnoreEmptyLines(true)
                .setIgnoreSurroundingSpaces(true)
                .get()
                .parse(new StringReader(text))) {
            List<Row> rows = new ArrayList<>();
            List<String> header = List.of();
            for (CSVRecord record : parser) {
                if (header.isEmpty()) {
                    header = header(record);
                } else if (record.stream().anyMatch(c -> !c.isBlank())) {
                    rows.add(row(header, record, rows.size() + 1));
                }
                if (rows.size() > MOST_ROWS) {
                    throw new Rejected(Fault.of("file", "file.rows", MOST_ROWS));
                }
            }
            if (rows.isEmpty()) {
                throw new Rejected(Fault.of("file", "file.empty"));
            }
            return rows;
        } catch (IOException | java.io.UncheckedIOException e) {
            throw new Rejected(Fault.of("file", "file.broken"));
        }
    }

    private static String text(byte[] bytes) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            if (text.indexOf('\0') >= 0) {
                throw new Rejected(Fault.of("file", "file.notText"));
            }
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw new Rejected(Fault.of("file", "file.notText"));
        }
    }

    private static String delimiter(String text) {
        String first = text.lines().findFirst().orElse("");
        String best = ",";
        for (String candidate : List.of(";", "\t")) {
            if (first.split(candidate, -1).length > first.split(best, -1).length) {
                best = candidate;
            }
        }
        return best;
    }

    private static List<String> header(CSVRecord record) {
        List<String> header =
                record.stream().map(c -> c.strip().toLowerCase(Locale.ROOT)).toList();
        Set<String> missing = new TreeSet<>(NEEDED);
        missing.removeAll(header);
        if (!missing.isEmpty()) {
            throw new Rejected(Fault.of("file", "file.columns", String.join(", ", missing)));
        }
        return header;
    }

    private static Row row(List<String> header, CSVRecord record, long number) {
        Map<String, String> cells = new HashMap<>();
        for (int i = 0; i < Math.min(header.size(), record.size()); i++) {
            cells.putIfAbsent(header.get(i), record.get(i));
        }
        return new Row(number, cells);
    }
}
