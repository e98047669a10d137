package dev.restis.app.finished;

import dev.restis.app.finished.Contents.Content;
import dev.restis.app.finished.Contents.ContentLine;
import dev.restis.app.finished.Contents.PieceFacts;
import dev.restis.app.orders.OrderFacts.Agreed;
import dev.restis.app.orders.OrderFacts.AgreedLine;
import dev.restis.app.platform.Pdf;
import dev.restis.core.cost.Total;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** The packing list, by which a parcel is put together, and the delivery note, which goes with it; both in black and white. */
@Service
class ParcelPapers {

    private static final double PICTURE_MM = 70;
    private static final String BOX = "<div style='width:4mm;height:4mm;border:0.8pt solid #17262b'></div>";
    private static final int MOST_NUMBERS = 40;

    private final Clock clock;

    ParcelPapers(Clock clock) {
        this.clock = clock;
    }

    /** With a box to tick for each line, what its pieces are called in the house, and what is still to come. */
    byte[] packingList(Content of, Pdf.Paper paper) {
        StringBuilder body = head(of, "paper.packing");
        body.append("<table><thead><tr><th></th>");
        column(body, of, "paper.piece", "");
        column(body, of, "paper.pieces", " class='right'");
        column(body, of, "paper.toCome", " class='right'");
        body.append("</tr></thead><tbody>");
        for (ContentLine line : of.lines()) {
            if (line.pieces().isEmpty() && line.toCome() == 0) {
                continue;
            }
            body.append("<tr><td>").append(BOX).append("</td><td>");
            piece(body, of, line);
            if (!line.pieces().isEmpty()) {
                small(body, of.words().text("paper.numbers", numbers(line.pieces(), of)));
            }
            if (line.line().matching()) {
                small(body, of.words().text(line.toCome() == 0 ? "paper.setWhole" : "paper.setPart"));
            }
            if (!line.line().note().isEmpty()) {
                small(body, line.line().note());
            }
            body.append("</td>");
            right(body, String.valueOf(line.pieces().size()), true);
            right(body, line.toCome() == 0 ? "" : String.valueOf(line.toCome()), false);
            body.append("</tr>");
        }
        body.append("</tbody></table>");
        all(body, of);
        if (!of.order().note().isEmpty()) {
            paragraph(body, of.order().note());
        }
        return print(of, "paper.packing", body, paper);
    }

    /** @param prices whether it says what was agreed for the pieces that lie in the parcel */
    byte[] deliveryNote(Content of, boolean prices, Pdf.Paper paper) {
        Optional<Agreed> agreed = prices ? of.order().agreed() : Optional.empty();
        Map<Integer, AgreedLine> byLine = agreed.map(
                        a -> a.lines().stream().collect(Collectors.toMap(AgreedLine::line, Function.identity())))
                .orElse(Map.of());
        StringBuilder body = head(of, "paper.note");
        body.append("<table><thead><tr>");
        column(body, of, "paper.piece", "");
        column(body, of, "paper.pieces", " class='right'");
        if (agreed.isPresent()) {
            column(body, of, "quote.each", " class='right'");
            column(body, of, "quote.line", " class='right'");
        }
        body.append("</tr></thead><tbody>");
        List<BigDecimal> sums = new ArrayList<>();
        for (ContentLine line : of.filled()) {
            body.append("<tr><td>");
            piece(body, of, line);
            small(body, batches(line, of));
            body.append("</td>");
            int count = line.pieces().size();
            right(body, String.valueOf(count), true);
            if (agreed.isPresent()) {
                AgreedLine price = byLine.get(line.line().pricedAs());
                BigDecimal sum = price == null ? BigDecimal.ZERO : price.each().multiply(BigDecimal.valueOf(count));
                sums.add(sum);
                right(body, price == null ? "" : of.words().money(price.each()), false);
                right(body, price == null ? "" : of.words().money(sum), false);
            }
            body.append("</tr>");
        }
        body.append("</tbody></table>");
        agreed.ifPresent(a -> total(body, of, a, sums));
        int toCome = of.lines().stream().mapToInt(ContentLine::toCome).sum();
        paragraph(body, of.words().text(toCome == 0 ? "paper.whole" : "paper.part", toCome));
        paragraph(body, of.words().text("quote.law"));
        return print(of, "paper.note", body, paper);
    }

    /** Of the pieces that lie in the parcel; that of a whole order is what was agreed, to the cent. */
    private static void total(StringBuilder body, Content of, Agreed agreed, List<BigDecimal> sums) {
        int inside = of.filled().stream().mapToInt(l -> l.pieces().size()).sum();
        boolean whole = agreed.lines().stream().mapToInt(AgreedLine::quantity).sum() == inside;
        Total total = whole
                ? new Total(agreed.net(), agreed.tax(), agreed.gross())
                : Total.of(sums, agreed.taxPercent(), agreed.taxIncluded());
        body.append("<p class='right'>");
        if (total.tax().signum() > 0) {
            String percent = agreed.taxPercent().stripTrailingZeros().toPlainString();
            body.append(Pdf.text(of.words()
                            .text(
                                    agreed.taxIncluded() ? "quote.taxIn" : "quote.taxOn",
                                    percent,
                                    of.words().money(total.tax()))))
                    .append("<br/>");
        }
        body.append("<span class='strong'>")
                .append(Pdf.text(of.words().text("quote.total", of.words().money(total.gross()))))
                .append("</span></p>");
    }

    private StringBuilder head(Content of, String title) {
        StringBuilder body = new StringBuilder("<p class='small'>")
                .append(Pdf.text(of.house().name() + "\n" + of.house().address()))
                .append("</p><h1>")
                .append(Pdf.text(title(of, title)))
                .append("</h1><p>")
                .append(Pdf.text((of.contact().name() + "\n" + of.contact().address()).strip()))
                .append("</p>");
        List<String> facts = new ArrayList<>();
        LocalDate day = of.parcel().map(p -> p.sentOn).orElse(LocalDate.now(clock));
        facts.add(of.words().day(day));
        String way = of.parcel().map(p -> p.way).orElse(of.order().way());
        facts.add(way.isEmpty() ? of.words().text("paper.handedOver") : way);
        of.parcel()
                .map(p -> p.tracking)
                .filter(t -> !t.isEmpty())
                .ifPresent(t -> facts.add(of.words().text("paper.tracking", t)));
        LocalDate due = of.order().due();
        if (of.parcel().isEmpty() && due != null) {
            facts.add(of.words().text("paper.leaves", of.words().day(due)));
        }
        paragraph(body, String.join(" · ", facts));
        return body;
    }

    private static String title(Content of, String title) {
        return of.parcel()
                .map(p -> of.words().text(title + ".parcel", of.order().reference(), p.number()))
                .orElseGet(() -> of.words().text(title, of.order().reference()));
    }

    private static void piece(StringBuilder body, Content of, ContentLine line) {
        body.append("<span class='strong'>")
                .append(Pdf.text(line.patternName()))
                .append("</span>");
        small(body, of.words().details(line.line().spec(), line.colours()));
        body.append(Pdf.picture(line.picture(), PICTURE_MM));
    }

    /** What pieces are called on their tags. */
    private static String numbers(List<PieceFacts> pieces, Content of) {
        String all = pieces.stream().limit(MOST_NUMBERS).map(p -> "#" + p.id()).collect(Collectors.joining(", "));
        int more = pieces.size() - MOST_NUMBERS;
        return more > 0 ? of.words().text("paper.more", all, more) : all;
    }

    private static String batches(ContentLine line, Content of) {
        String names = line.pieces().stream()
                .map(PieceFacts::batch)
                .filter(b -> !b.isEmpty())
                .distinct()
                .collect(Collectors.joining(", "));
        return names.isEmpty() ? "" : of.words().text("paper.batch", names);
    }

    private static void all(StringBuilder body, Content of) {
        int inside = of.lines().stream().mapToInt(l -> l.pieces().size()).sum();
        int toCome = of.lines().stream().mapToInt(ContentLine::toCome).sum();
        body.append("<p class='strong'>")
                .append(Pdf.text(of.words().text("paper.all", inside)
                        + (toCome == 0 ? "" : " · " + of.words().text("paper.rest", toCome))))
                .append("</p>");
    }

    private static void column(StringBuilder body, Content of, String word, String attributes) {
        body.append("<th")
                .append(attributes)
                .append(">")
                .append(Pdf.text(of.words().text(word)))
                .append("</th>");
    }

    private static void right(StringBuilder body, String text, boolean strong) {
        body.append(strong ? "<td class='right strong'>" : "<td class='right'>")
                .append(Pdf.text(text))
                .append("</td>");
    }

    private static void small(StringBuilder body, String text) {
        if (!text.isEmpty()) {
            body.append("<div class='small'>").append(Pdf.text(text)).append("</div>");
        }
    }

    private static void paragraph(StringBuilder body, String text) {
        body.append("<p>").append(Pdf.text(text)).append("</p>");
    }

    private static byte[] print(Content of, String title, StringBuilder body, Pdf.Paper paper) {
        return Pdf.of(Objects.requireNonNull(title(of, title)), body.toString(), paper);
    }
}
