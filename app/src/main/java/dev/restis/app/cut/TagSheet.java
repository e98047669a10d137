package dev.restis.app.cut;

import dev.restis.app.cut.CutReads.CutListView;
import dev.restis.app.cut.CutSpools.StepView;
import dev.restis.app.platform.PaperLength;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.QrCode;
import dev.restis.app.platform.Texts;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;

/** Tags for what a list cuts, one to a label, each with a code that opens its order. */
@Service
class TagSheet {

    /** What a tag is tied to. */
    enum Each {
        PIECE,
        STRAND
    }

    private static final String NEXT_LABEL = "<div style='page-break-after:always'></div>";
    private static final int MOST_TAGS = 2_000;
    private static final int MOST_LINES = 5;
    private static final int MOST_CUSTOMER = 26;

    private final CutReads reads;
    private final MessageSource messages;

    TagSheet(CutReads reads, MessageSource messages) {
        this.reads = reads;
        this.messages = messages;
    }

    /**
     * Prints them.
     *
     * @param origin where Restis answers, so that a code leads back to it
     */
    byte[] pdf(long id, Each each, String origin) {
        CutListView list = reads.list(id);
        Map<Long, List<Cut>> pieces = list.spools().stream()
                .flatMap(spool -> spool.steps().stream()
                        .filter(s -> s.pieceId() != null)
                        .map(s -> new Cut(spool.articleCode(), s)))
                .collect(Collectors.groupingBy(
                        c -> Objects.requireNonNull(c.step().pieceId()), TreeMap::new, Collectors.toList()));
        List<String> tags = new ArrayList<>();
        pieces.forEach((piece, cuts) -> {
            if (each == Each.PIECE) {
                tags.add(tag(piece, cuts.get(0).step(), origin, bundle(cuts)));
            } else {
                cuts.forEach(cut -> tags.add(tag(
                        piece,
                        cut.step(),
                        origin,
                        List.of(line(cut), Objects.toString(cut.step().role(), "")))));
            }
        });
        if (tags.isEmpty()) {
            throw new Conflict("cut.noTags");
        }
        if (tags.size() > MOST_TAGS) {
            throw new Conflict("cut.manyTags", MOST_TAGS);
        }
        return Pdf.of(text("tags.title", list.name()), String.join(NEXT_LABEL, tags), Pdf.Paper.LABEL);
    }

    private String tag(long piece, StepView of, String origin, List<String> lines) {
        String reference = Objects.requireNonNull(of.reference());
        StringBuilder tag = new StringBuilder("<div>")
                .append("<table style='margin:0'><tr><td style='border:0;padding:0;width:22mm'>")
                .append("<img style='width:21mm;height:21mm' src='data:image/png;base64,")
                .append(QrCode.png(origin + "/orders?query=" + URLEncoder.encode(reference, StandardCharsets.UTF_8)))
                .append(
                        "'/></td><td style='border:0;padding:0;font-size:7pt;line-height:1.15;white-space:nowrap'><div class='strong' style='font-size:10pt'>")
                .append(Pdf.text(reference + " #" + piece))
                .append("</div><div>")
                .append(Pdf.text(Texts.shortened(Objects.toString(of.customer(), ""), MOST_CUSTOMER)))
                .append("</div>");
        lines.forEach(line -> tag.append("<div>").append(Pdf.text(line)).append("</div>"));
        return tag.append("</td></tr></table></div>").toString();
    }

    /** A strand, and what it is cut from. */
    private record Cut(String article, StepView step) {}

    /** Equal strands of a piece in one line; what no longer fits is counted. */
    private List<String> bundle(List<Cut> cuts) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        cuts.forEach(c -> counts.merge(line(c), 1, Integer::sum));
        List<String> lines = new ArrayList<>();
        counts.forEach((line, count) -> lines.add(count + " × " + line));
        if (lines.size() <= MOST_LINES) {
            return lines;
        }
        List<String> shown = new ArrayList<>(lines.subList(0, MOST_LINES - 1));
        shown.add(text("tags.more", lines.size() - MOST_LINES + 1));
        return shown;
    }

    private static String line(Cut cut) {
        return cut.article() + " " + PaperLength.both(cut.step().lengthUm());
    }

    private String text(String code, @Nullable Object... args) {
        return Texts.words(messages, code, args);
    }
}
