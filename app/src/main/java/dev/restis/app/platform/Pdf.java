package dev.restis.app.platform;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.web.util.HtmlUtils;

/** Prints pages as PDF, with fonts that ship with Restis, so that any name can be printed. */
public final class Pdf {

    /** Paper that is in use. */
    public enum Paper {
        A4("a4; " + Paper.SHEET),
        LETTER("letter; " + Paper.SHEET),
        /** Turned, for what stands side by side. */
        A4_WIDE("a4 landscape; margin: 10mm"),
        LETTER_WIDE("letter landscape; margin: 10mm"),
        /** One label to a page, for a label printer. */
        LABEL("62mm 29mm; margin: 3mm 4mm");

        private static final String SHEET =
                "margin: 18mm 16mm; @bottom-right { content: counter(page) ' / ' counter(pages); font: 8pt sheet }";

        private final String page;

        Paper(String page) {
            this.page = page;
        }
    }

    private static final String PAGE = """
            <html><head><style>
            @page { size: %s }
            body { font: 10pt sheet; color: #17262b; margin: 0; } h1 { font-size: 18pt; margin: 0 0 4mm; } h2 { page-break-after: avoid; }
            table { width: 100%%; border-collapse: collapse; margin: 4mm 0; -fs-table-paginate: paginate; }
            th { text-align: left; border-bottom: 1pt solid #17262b; } td { border-bottom: 0.3pt solid #999; }
            th, td { padding: 1.2mm 2mm 1.2mm 0; vertical-align: top; } tr { page-break-inside: avoid; }
            .right { text-align: right; white-space: nowrap; } .small { font-size: 8.5pt; color: #444; }
            .strong { font-weight: bold; }
            </style><title>%s</title></head><body>%s</body></html>
            """;

    private static final Pattern SIZE = Pattern.compile("width=\"([\\d.]+)mm\" height=\"([\\d.]+)mm\"");
    private static final double LEAST_SCALE = 0.25;

    static {
        XRLog.setLoggingEnabled(false);
    }

    private Pdf() {}

    /** Text that is safe inside of a page. */
    public static String text(String plain) {
        return HtmlUtils.htmlEscape(plain.replaceAll("[\\p{Cntrl}&&[^\n]]", " "), "UTF-8")
                .replace("\n", "<br/>");
    }

    /**
     * A picture to scale, made smaller where it is longer than there is room; nothing where it would be but a line.
     *
     * @param svg with its size in millimetres
     * @param mostMm the room there is, in millimetres
     */
    public static String picture(String svg, double mostMm) {
        // What draws on paper knows the older way to refer to a part only.
        String older = svg.replace("<use href=", "<use xlink:href=")
                .replaceFirst("<svg ", "<svg xmlns:xlink=\"http://www.w3.org/1999/xlink\" ");
        Matcher size = SIZE.matcher(older);
        if (!size.find()) {
            return "";
        }
        double width = Double.parseDouble(size.group(1));
        double scale = Math.min(1, mostMm / width);
        if (scale < LEAST_SCALE) {
            return "";
        }
        String scaled = size.replaceFirst(String.format(
                Locale.ROOT,
                "width=\"%.1fmm\" height=\"%.1fmm\"",
                width * scale,
                Double.parseDouble(size.group(2)) * scale));
        return "<div style='margin:1mm 0'>" + scaled + "</div>";
    }

    /**
     * Prints a page.
     *
     * @param title plain text
     * @param body well-formed XHTML; texts in it went through {@link #text}
     */
    public static byte[] of(String title, String body, Paper paper) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            new PdfRendererBuilder()
                    .useSVGDrawer(new BatikSVGDrawer())
                    .useFont(() -> font("Regular"), "sheet", 400, FontStyle.NORMAL, true)
                    .useFont(() -> font("Bold"), "sheet", 700, FontStyle.NORMAL, true)
                    .withHtmlContent(PAGE.formatted(paper.page, text(title), body), null)
                    .toStream(out)
                    .run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static InputStream font(String style) {
        return Objects.requireNonNull(Pdf.class.getResourceAsStream("/liberation/LiberationSans-" + style + ".ttf"));
    }
}
