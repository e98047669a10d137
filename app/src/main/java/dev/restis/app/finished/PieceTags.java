package dev.restis.app.finished;

import dev.restis.app.finished.Contents.Content;
import dev.restis.app.finished.Contents.ContentLine;
import dev.restis.app.finished.Contents.PieceFacts;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.QrCode;
import dev.restis.app.platform.Texts;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Tags that are tied to finished pieces: what it is, of what, how to care for it, with a code by which the house finds it again. */
@Service
class PieceTags {

    private static final String NEXT_LABEL = "<div style='page-break-after:always'></div>";
    private static final String CUT_ALONG =
            "<div style='border:0.6pt dashed #17262b;padding:2mm;height:25mm;margin:0 1mm 1mm 0'>";
    private static final int MOST_TAGS = 500;
    private static final int LONGEST_LINE = 42;
    private static final int LONGEST_NAME = 30;
    private static final int IN_A_ROW = 2;

    /**
     * Prints them.
     *
     * @param origin where Restis answers, so that a code leads back to it
     */
    byte[] pdf(Content of, Pdf.Paper paper, String origin) {
        List<String> tags = new ArrayList<>();
        for (ContentLine line : of.filled()) {
            line.pieces().forEach(piece -> tags.add(tag(of, line, piece, origin)));
        }
        if (tags.size() > MOST_TAGS) {
            throw new Conflict("finished.manyTags", MOST_TAGS);
        }
        String title = of.words().text("tag.title", of.order().reference());
        return Pdf.of(title, paper == Pdf.Paper.LABEL ? String.join(NEXT_LABEL, tags) : onSheets(tags), paper);
    }

    /** Side by side, to be cut apart. */
    private static String onSheets(List<String> tags) {
        StringBuilder body = new StringBuilder("<table style='table-layout:fixed;margin:0'>");
        for (int i = 0; i < tags.size(); i += IN_A_ROW) {
            body.append("<tr>");
            for (int j = i; j < i + IN_A_ROW; j++) {
                body.append("<td style='border:0;padding:0'>")
                        .append(j < tags.size() ? CUT_ALONG + tags.get(j) + "</div>" : "")
                        .append("</td>");
            }
            body.append("</tr>");
        }
        return body.append("</table>").toString();
    }

    private static String tag(Content of, ContentLine line, PieceFacts piece, String origin) {
        StringBuilder tag = new StringBuilder("<table style='margin:0'><tr><td style='border:0;padding:0;width:18mm'>")
                .append("<img style='width:17mm;height:17mm' src='data:image/png;base64,")
                .append(QrCode.png(origin + "/finished/pieces/" + piece.id()))
                .append("'/><div style='font-size:6pt'>#")
                .append(piece.id())
                .append(
                        "</div></td><td style='border:0;padding:0;font-size:5.8pt;line-height:1.12;white-space:nowrap'>")
                .append("<div class='strong' style='font-size:8pt'>")
                .append(Pdf.text(Texts.shortened(line.patternName(), LONGEST_NAME)))
                .append("</div>");
        String materials = CareLeaflet.materials(line).stream()
                .map(m -> of.words().textOr("care.material." + m.code(), "care.material.other"))
                .collect(Collectors.joining(", "));
        String care = CareLeaflet.materials(line).stream()
                .findFirst()
                .map(m -> of.words()
                        .textOr("tag.care." + m.code(), m.heatSealable() ? "tag.care.synthetic" : "tag.care.natural"))
                .orElse("");
        line(tag, of.words().details(line.line().spec(), line.colours()));
        line(tag, materials);
        line(tag, care);
        CareLeaflet.cautions(line).forEach(c -> line(tag, of.words().text("tag.caution." + c)));
        line(tag, of.house().name() + (piece.batch().isEmpty() ? "" : " · " + piece.batch()));
        return tag.append("</td></tr></table>").toString();
    }

    private static void line(StringBuilder tag, String text) {
        tag.append("<div>")
                .append(Pdf.text(Texts.shortened(text, LONGEST_LINE)))
                .append("</div>");
    }
}
