package dev.restis.app.cut;

import dev.restis.app.cut.CutReads.CutListView;
import dev.restis.app.cut.CutReads.TrimmingView;
import dev.restis.app.cut.CutReads.WaitingPieceView;
import dev.restis.app.cut.CutSpools.SpoolView;
import dev.restis.app.cut.CutSpools.StepView;
import dev.restis.app.patterns.PieceView.StrandMark;
import dev.restis.app.platform.PaperLength;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;

/** A cut list on paper: spool by spool, a bar to scale, and a box to tick for each kind of cut; readable in black and white. */
@Service
class CutSheet {

    /** The columns of all spools stand below each other. */
    private static final Map<String, Integer> WIDTH_MM =
            Map.of("cutSheet.count", 15, "cutSheet.length", 42, "cutSheet.fold", 38);

    private static final double PERCENT = 100;
    private static final String BOX = "<td><div style='width:3.5mm;height:3.5mm;border:1pt solid #17262b'></div></td>";

    private final CutReads reads;
    private final Workshop workshop;
    private final MessageSource messages;

    CutSheet(CutReads reads, Workshop workshop, MessageSource messages) {
        this.reads = reads;
        this.workshop = workshop;
        this.messages = messages;
    }

    byte[] pdf(long id, Pdf.Paper paper) {
        CutListView list = reads.list(id);
        String title = text("cutSheet.title", list.name());
        StringBuilder body = new StringBuilder();
        body.append("<p class='small'>")
                .append(Pdf.text(workshop.settings().name()))
                .append("</p>");
        body.append("<h1>").append(Pdf.text(title)).append("</h1>");
        paragraph(
                body,
                text(
                        "cutSheet.summary",
                        list.pieces(),
                        list.strands(),
                        list.spools().size(),
                        PaperLength.both(list.cutUm()),
                        PaperLength.both(list.scrapUm())));
        paragraph(body, text("cutSheet.cautions"));
        long longest =
                list.spools().stream().mapToLong(SpoolView::lengthUm).max().orElse(1);
        list.spools().forEach(spool -> spool(body, spool, longest));
        list.trimmings().forEach(trimming -> paragraph(body, trimming(trimming)));
        list.waiting().forEach(waiting -> paragraph(body, waiting(waiting)));
        return Pdf.of(title, body.toString(), paper);
    }

    private void spool(StringBuilder body, SpoolView spool, long longest) {
        body.append("<div style='page-break-inside: avoid'><p class='strong'>")
                .append(Pdf.text(text(
                        "cutSheet.spool",
                        spool.label(),
                        spool.articleCode() + " " + spool.articleName(),
                        spool.shelf().isEmpty() ? "-" : spool.shelf(),
                        spool.lot(),
                        PaperLength.both(spool.lengthUm()))))
                .append("</p>");
        bar(body, spool, longest);
        body.append("<table style='table-layout:fixed'><thead><tr><th style='width:8mm'></th>");
        for (String column : List.of("cutSheet.count", "cutSheet.length", "cutSheet.fold")) {
            body.append("<th class='right' style='width:")
                    .append(WIDTH_MM.get(column))
                    .append("mm'>")
                    .append(Pdf.text(text(column)))
                    .append("</th>");
        }
        body.append("<th>").append(Pdf.text(text("cutSheet.for"))).append("</th></tr></thead><tbody>");
        equal(spool.steps()).forEach(cuts -> row(body, cuts));
        body.append("</tbody></table></div>");
    }

    /** Strands are white, what stays is grey, what is thrown away is dark; the widths are the lengths. */
    private static void bar(StringBuilder body, SpoolView spool, long longest) {
        if (spool.steps().isEmpty()) {
            // What was left of it is planned anew just now; a table without a column cannot be laid out.
            return;
        }
        body.append("<table style='width:")
                .append(percent(spool.lengthUm(), longest))
                .append("%;table-layout:fixed;margin:0 0 1mm'><tr>");
        long left = spool.lengthUm();
        for (StepView step : spool.steps()) {
            cell(
                    body,
                    step.kind().equals("STRAND") ? "#fff" : step.keep() ? "#ddd" : "#777",
                    step.lengthUm(),
                    spool.lengthUm());
            left -= step.lengthUm();
        }
        if (left > 0) {
            cell(body, "#ddd", left, spool.lengthUm());
        }
        body.append("</tr></table>");
    }

    private static void cell(StringBuilder body, String shade, long part, long whole) {
        body.append("<td style='height:4mm;padding:0;border:0.6pt solid #17262b;background:")
                .append(shade)
                .append(";width:")
                .append(percent(part, whole))
                .append("%'></td>");
    }

    /** At least one hundredth: a table of nothing but narrower columns cannot be laid out, and could not be seen. */
    private static String percent(long part, long whole) {
        return String.format(Locale.ROOT, "%.3f", Math.max(1, PERCENT * part / Math.max(1, whole)));
    }

    private void row(StringBuilder body, List<StepView> cuts) {
        StepView first = cuts.get(0);
        body.append("<tr>")
                .append(BOX)
                .append("<td class='right'>")
                .append(cuts.size())
                .append(" ×</td>");
        body.append("<td class='right strong'>")
                .append(Pdf.text(PaperLength.both(first.lengthUm())))
                .append("</td>");
        StrandMark mark = first.mark();
        body.append("<td class='right'>")
                .append(
                        mark == null
                                ? ""
                                : Pdf.text(PaperLength.both(mark.um()) + " " + text("cutSheet.mark." + mark.kind())))
                .append("</td>");
        body.append("<td>").append(Pdf.text(what(cuts))).append("</td></tr>");
    }

    private String what(List<StepView> cuts) {
        StepView first = cuts.get(0);
        if (!first.kind().equals("STRAND")) {
            return text(first.keep() ? "cutSheet.keep" : "cutSheet.bin");
        }
        Set<String> pieces = new LinkedHashSet<>();
        cuts.forEach(c -> pieces.add(c.reference() + " #" + c.pieceId()));
        return first.role() + ": " + String.join(", ", pieces);
    }

    /** Cuts of one length, fold and role that follow each other are made together. */
    private static List<List<StepView>> equal(List<StepView> steps) {
        List<List<StepView>> groups = new ArrayList<>();
        for (StepView step : steps) {
            List<StepView> last = groups.isEmpty() ? List.of() : groups.get(groups.size() - 1);
            if (!last.isEmpty() && alike(last.get(0), step)) {
                last.add(step);
            } else {
                groups.add(new ArrayList<>(List.of(step)));
            }
        }
        return groups;
    }

    private static boolean alike(StepView one, StepView other) {
        return one.kind().equals("STRAND")
                && other.kind().equals("STRAND")
                && one.lengthUm() == other.lengthUm()
                && Objects.equals(one.mark(), other.mark())
                && Objects.equals(one.role(), other.role());
    }

    private String trimming(TrimmingView trimming) {
        return text(
                "cutSheet.trimming",
                trimming.strands(),
                trimming.role(),
                PaperLength.both(trimming.lengthUm()),
                trimming.articleCode(),
                numbers(trimming.pieces()),
                trimming.sourceRole(),
                numbers(trimming.sourcePieces()));
    }

    private String waiting(WaitingPieceView waiting) {
        return text(
                "cutSheet.waiting",
                waiting.pieces(),
                waiting.reference(),
                waiting.customer(),
                PaperLength.both(waiting.neededUm()),
                waiting.articleCode(),
                PaperLength.both(waiting.bestUm()));
    }

    private static String numbers(List<Long> pieces) {
        return String.join(", ", pieces.stream().distinct().map(p -> "#" + p).toList());
    }

    private static void paragraph(StringBuilder body, String words) {
        body.append("<p>").append(Pdf.text(words)).append("</p>");
    }

    private String text(String code, @Nullable Object... args) {
        return Texts.words(messages, code, args);
    }
}
