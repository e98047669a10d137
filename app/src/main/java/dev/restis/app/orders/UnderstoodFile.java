package dev.restis.app.orders;

import dev.restis.app.orders.OrderImport.ColumnView;
import dev.restis.app.orders.OrderImport.FileView;
import dev.restis.app.orders.OrderImport.Request;
import dev.restis.app.orders.OrderImport.RowState;
import dev.restis.app.orders.OrderImport.RowView;
import dev.restis.app.orders.OrderRows.Reading;
import dev.restis.app.platform.RowsFile;
import java.util.Comparator;
import java.util.List;

/** A file with the fields that its columns hold, and what each of its rows would do. */
record UnderstoodFile(RowsFile file, Columns columns, List<Reading> readings) {

    private static final int MOST_SHOWN = 200;

    /** As it is shown: all rows that need a look, and the first of the others. */
    FileView view(Request request) {
        List<RowView> shown = readings.stream()
                .map(Reading::view)
                .sorted(Comparator.comparing(
                                (RowView r) -> r.state() != RowState.BAD && r.state() != RowState.DIFFERENT)
                        .thenComparing(RowView::number))
                .limit(MOST_SHOWN)
                .sorted(Comparator.comparing(RowView::number))
                .toList();
        int pieces = readings.stream()
                .filter(r -> r.state() == RowState.NEW)
                .mapToInt(r -> r.view().quantity())
                .sum();
        int accepted = (int) readings.stream()
                .filter(r -> r.state() == RowState.DIFFERENT && request.accepts(r.number()))
                .count();
        return new FileView(
                file.form(),
                file.columns(),
                Columns.fields().stream()
                        .map(f -> new ColumnView(f, columns.byField().getOrDefault(f, ""), Columns.NEEDED.contains(f)))
                        .toList(),
                shown,
                readings.size(),
                count(readings, RowState.NEW),
                count(readings, RowState.KNOWN),
                count(readings, RowState.DIFFERENT),
                count(readings, RowState.BAD),
                accepted,
                pieces);
    }

    private static int count(List<Reading> readings, RowState state) {
        return (int) readings.stream().filter(r -> r.state() == state).count();
    }
}
