package dev.restis.core.fit;

import dev.restis.core.measure.Length;
import java.util.List;
import java.util.Optional;

/**
 * The house sizes: for each name a wrist girth and the hand girth over the knuckles with the thumb tucked.
 *
 * @param rows from small to large
 */
public record SizeTable(List<Row> rows) {

    /** One size. */
    public record Row(String name, Length wrist, Length hand) {}

    /** The sizes Restis starts with. */
    public static final SizeTable HOUSE = new SizeTable(List.of(
            row("XS", 145, 186), row("S", 155, 197), row("M", 167, 210), row("L", 180, 224), row("XL", 195, 240)));

    /** The size in the middle of the table; of two, the larger. */
    public Row middle() {
        return rows.get(rows.size() / 2);
    }

    public SizeTable {
        rows = List.copyOf(rows);
        if (rows.isEmpty()) {
            throw new IllegalArgumentException("a size table needs at least one row but rows is empty");
        }
    }

    private static Row row(String name, long wrist, long hand) {
        return new Row(name, Length.ofMillimetres(wrist), Length.ofMillimetres(hand));
    }

    public Optional<Row> byName(String name) {
        return rows.stream()
                .filter(r -> r.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }

    /**
     * The hand girth that goes with a wrist, for a hand that was not measured: that of the smallest size whose wrist is
     * not smaller, so that the guess errs to a hand that is too large; beyond the table the largest difference is kept.
     */
    public Length handFor(Length wrist) {
        Row last = rows.get(rows.size() - 1);
        return rows.stream()
                .filter(r -> !r.wrist().isLessThan(wrist))
                .findFirst()
                .map(Row::hand)
                .orElseGet(() -> wrist.plus(last.hand().minus(last.wrist())));
    }
}
