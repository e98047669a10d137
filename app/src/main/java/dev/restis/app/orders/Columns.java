package dev.restis.app.orders;

import dev.restis.app.platform.RowsFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Which column of a file holds which field of an order.
 *
 * @param byField the file's own name of the column, by the field it holds
 */
record Columns(Map<String, String> byField) {

    static final int MOST_COLOURS = 8;
    /** Fields that every file needs. */
    static final List<String> NEEDED = List.of("reference", "customer", "quantity", "pattern", "colour 1");

    private static final List<String> FIELDS = List.of(
            "reference",
            "line",
            "customer",
            "due",
            "quantity",
            "pattern",
            "size",
            "wrist",
            "hand",
            "fit",
            "length",
            "kit",
            "wearer",
            "taper",
            "matching",
            "note",
            "order note",
            "bead",
            "beads",
            "ring",
            "clip",
            "buckle",
            "button");
    /** What other programs call them. */
    private static final Map<String, Set<String>> ALSO = Map.ofEntries(
            Map.entry("reference", Set.of("order", "order number", "order no", "order id", "ref", "number")),
            Map.entry("customer", Set.of("name", "client", "buyer", "customer name", "bill to")),
            Map.entry("due", Set.of("date", "due date", "wanted", "wanted on", "deliver by", "needed by")),
            Map.entry("quantity", Set.of("qty", "pieces", "count", "amount", "how many")),
            Map.entry("pattern", Set.of("item", "product", "sku", "style", "design")),
            Map.entry("colour 1", Set.of("colour", "color", "color 1", "first colour", "core", "colour1", "color1")),
            Map.entry("colour 2", Set.of("color 2", "second colour", "working", "colour2", "color2")),
            Map.entry("wrist", Set.of("wrist girth", "girth", "wrist size")),
            Map.entry("size", Set.of("house size")),
            Map.entry("note", Set.of("notes", "comment", "remark", "message", "personalisation")),
            Map.entry("order note", Set.of("order comment", "order remark")));

    Columns {
        byField = Map.copyOf(byField);
    }

    /** All fields that a file may hold, in the order they are offered. */
    static List<String> fields() {
        List<String> fields = new ArrayList<>(FIELDS);
        for (int i = MOST_COLOURS; i >= 1; i--) {
            fields.add(fields.indexOf("size"), "colour " + i);
        }
        return fields.stream()
                .sorted((a, b) -> Boolean.compare(!NEEDED.contains(a), !NEEDED.contains(b)))
                .toList();
    }

    /** The likeliest columns: by the field's own name, then by what others call it. A file's other names stay their own. */
    static Columns guess(List<String> columns) {
        Map<String, String> byName = new LinkedHashMap<>();
        columns.forEach(c -> byName.putIfAbsent(plain(c), c));
        Map<String, String> byField = new HashMap<>();
        for (String name : byName.keySet()) {
            if (!name.isEmpty()) {
                byField.put(name, byName.getOrDefault(name, name));
            }
        }
        Set<String> used = new java.util.HashSet<>(fields());
        used.retainAll(byName.keySet());
        ALSO.forEach((field, names) -> {
            if (!byField.containsKey(field)) {
                names.stream()
                        .filter(n -> byName.containsKey(n) && !used.contains(n))
                        .sorted()
                        .findFirst()
                        .ifPresent(n -> byField.put(field, byName.getOrDefault(n, n)));
            }
        });
        return new Columns(byField);
    }

    /** These, with others laid over them; an empty name takes a field's column away. */
    Columns with(Map<String, String> chosen) {
        Map<String, String> byOther = new HashMap<>(byField);
        chosen.forEach((field, column) -> {
            if (column.isEmpty()) {
                byOther.remove(field);
            } else {
                byOther.put(field, column);
            }
        });
        return new Columns(byOther);
    }

    List<String> missing() {
        return NEEDED.stream().filter(f -> !byField.containsKey(f)).toList();
    }

    /** A row's cells by field; what somebody mended in place is laid over them. */
    Cells of(RowsFile.Row row, Map<String, String> fixes) {
        Map<String, String> cells = new TreeMap<>();
        byField.forEach((field, column) -> cells.put(field, row.cells().getOrDefault(column, "")));
        cells.putAll(fixes);
        return new Cells(row.number(), cells);
    }

    /** A row by fields; a field that the file lacks reads as empty. */
    record Cells(long number, Map<String, String> byField) {
        String cell(String field) {
            return byField.getOrDefault(field, "").strip();
        }
    }

    private static String plain(String column) {
        return column.strip().toLowerCase(Locale.ROOT).replace('_', ' ').replaceAll("\\s+", " ");
    }
}
