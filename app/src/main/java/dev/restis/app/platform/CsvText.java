package dev.restis.app.platform;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes tables as CSV that a spreadsheet cannot mistake for formulas. */
public final class CsvText {

    private static final char BYTE_ORDER_MARK = '\uFEFF';

    private CsvText() {}

    public static String of(List<String> header, List<List<Object>> rows) {
        StringWriter text = new StringWriter();
        // Without this mark some spreadsheets read names in another encoding.
        text.write(BYTE_ORDER_MARK);
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(header);
            for (List<Object> row : rows) {
                printer.printRecord(row.stream().map(CsvText::safe).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** Text that starts like a formula gets an apostrophe in front; numbers stay numbers. */
    private static Object safe(Object cell) {
        if (cell instanceof String text && !text.isEmpty() && "=+-@\t\r\n".indexOf(text.charAt(0)) >= 0) {
            return "'" + text;
        }
        return cell;
    }
}
