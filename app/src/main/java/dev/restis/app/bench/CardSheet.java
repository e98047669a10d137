package dev.restis.app.bench;

import dev.restis.app.bench.WorkCardView.BodyPlacesView;
import dev.restis.app.bench.WorkCardView.CardStrandView;
import dev.restis.app.platform.PaperLength;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.QrCode;
import dev.restis.core.make.CardStep;
import dev.restis.core.make.StepKind;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Fault;
import dev.restis.core.piece.Caution;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Cards on paper, two side by side, each with a code that opens it; readable in black and white. */
@Service
class CardSheet {

    private static final int MOST = 60;
    private static final String NEXT_PAGE = "<div style='page-break-after:always'></div>";
    private static final String BOX =
            "<div style='width:2.6mm;height:2.6mm;border:0.8pt solid #17262b;margin-top:0.4mm'></div>";

    private static final double CARD_MM = 118;

    private final BenchReads reads;
    private final CardWords words;

    CardSheet(BenchReads reads, CardWords words) {
        this.reads = reads;
        this.words = words;
    }

    /**
     * Prints them.
     *
     * @param origin where Restis answers, so that a code leads back to it
     */
    byte[] pdf(List<Long> named, Pdf.Paper paper, String origin) {
        List<Long> pieces = named.stream().filter(Objects::nonNull).toList();
        if (pieces.isEmpty() || pieces.size() > MOST) {
            throw new Rejected(Fault.of("pieces", "named.range", pieces.size(), MOST));
        }
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < pieces.size(); i += 2) {
            body.append(i == 0 ? "" : NEXT_PAGE)
                    .append("<table style='table-layout:fixed;margin:0'><tr>")
                    .append(cell(pieces.get(i), origin))
                    .append(i + 1 < pieces.size() ? cell(pieces.get(i + 1), origin) : "<td style='border:0'></td>")
                    .append("</tr></table>");
        }
        return Pdf.of(words.word("make.sheet.title"), body.toString(), paper);
    }

    private String cell(long piece, String origin) {
        WorkCard card = reads.workCard(piece);
        WorkCardView view = reads.card(piece);
        StringBuilder cell =
                new StringBuilder("<td style='border:0;padding:0 5mm 0 0;width:50%;font-size:6.8pt;line-height:1.22'>");
        head(cell, view, origin);
        cell.append(Pdf.picture(view.picture().svg(), CARD_MM));
        strands(cell, view);
        places(cell, card, view);
        cell.append("<table style='margin:1mm 0'>");
        int number = 1;
        for (CardStep step : card.steps()) {
            step(cell, card, step, number++);
        }
        cell.append("</table>");
        cautions(cell, card);
        return cell.append("</td>").toString();
    }

    private void head(StringBuilder cell, WorkCardView view, String origin) {
        var piece = view.piece();
        cell.append(
                        "<table style='margin:0'><tr><td style='border:0;width:20mm;padding:0'><img style='width:18mm' src='data:image/png;base64,")
                .append(QrCode.png(origin + "/bench/" + piece.id()))
                .append("'/></td><td style='border:0;padding:0'><div class='strong' style='font-size:10pt'>")
                .append(Pdf.text(piece.patternName()))
                .append("</div><div class='strong'>")
                .append(Pdf.text(
                        piece.reference() + " #" + piece.id() + ", " + piece.number() + " / " + piece.quantity()))
                .append("</div><div>")
                .append(Pdf.text(piece.customer()))
                .append("</div><div>")
                .append(Pdf.text(words.filled(
                        "make.sheet.length",
                        Map.of(
                                "length", PaperLength.both(view.inspection().lengthUm()),
                                "tolerance", PaperLength.both(view.inspection().toleranceUm()),
                                "minutes", String.valueOf(Math.round(view.seconds() / 60.0))))))
                .append("</div></td></tr></table>");
    }

    private void strands(StringBuilder cell, WorkCardView view) {
        cell.append("<table style='margin:1mm 0'>");
        for (CardStrandView strand : view.strands()) {
            cell.append("<tr><td class='strong' style='padding:0.3mm;width:5mm'>")
                    .append(strand.letter())
                    .append("</td><td style='padding:0.3mm'>")
                    .append(Pdf.text(words.roleName(strand.role()) + " · " + strand.articleCode()))
                    .append("</td><td class='right' style='padding:0.3mm'>")
                    .append(Pdf.text(PaperLength.both(strand.cutUm())))
                    .append("</td><td class='right' style='padding:0.3mm'>")
                    .append(
                            strand.mark() == null
                                    ? ""
                                    : Pdf.text(PaperLength.both(strand.mark().um())))
                    .append("</td></tr>");
        }
        view.parts()
                .forEach(
                        part -> cell.append("<tr><td style='padding:0.3mm'></td><td style='padding:0.3mm' colspan='3'>")
                                .append(Pdf.text(part.quantity() + " × " + words.partName(part.slot()) + " "
                                        + part.articleCode()))
                                .append("</td></tr>"));
        cell.append("</table>");
    }

    private void places(StringBuilder cell, WorkCard card, WorkCardView view) {
        Set<String> said = new LinkedHashSet<>();
        for (BodyPlacesView body : view.bodies()) {
            if (body.places().size() > 2) {
                said.add(body.places().stream()
                        .map(p -> card.strands().get(p.strand()).letter())
                        .collect(Collectors.joining(" ")));
            }
        }
        said.forEach(order -> cell.append("<div>")
                .append(Pdf.text(words.word("make.places") + ": " + order))
                .append("</div>"));
    }

    private void step(StringBuilder cell, WorkCard card, CardStep step, int number) {
        boolean gate = step.kind().passed();
        String mark = step.kind() == StepKind.TIE
                ? " " + words.word("make.reachNow") + " "
                        + PaperLength.both(step.reach().micrometres())
                : "";
        cell.append("<tr><td style='border:0;padding:0.25mm;width:4mm'>")
                .append(BOX)
                .append("</td><td style='border:0;padding:0.25mm;width:5mm'>")
                .append(number)
                .append("</td><td style='border:0;padding:0.25mm")
                .append(gate ? ";font-weight:bold'>" : "'>")
                .append(Pdf.text(words.sentence(card, step)))
                .append("<span class='strong'>")
                .append(Pdf.text(mark))
                .append("</span></td></tr>");
    }

    private void cautions(StringBuilder cell, WorkCard card) {
        Set<Caution> all = new LinkedHashSet<>();
        card.steps().forEach(s -> all.addAll(s.cautions()));
        all.forEach(caution -> cell.append("<div class='small' style='font-size:6pt'>")
                .append(Pdf.text(words.word("caution." + caution)))
                .append("</div>"));
    }
}
