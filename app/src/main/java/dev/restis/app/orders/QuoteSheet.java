package dev.restis.app.orders;

import dev.restis.app.customers.Customers;
import dev.restis.app.orders.Quotes.LinePrice;
import dev.restis.app.orders.Quotes.PriceView;
import dev.restis.app.orders.Quotes.QuoteView;
import dev.restis.app.orders.SheetWords.Sheet;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceView;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.workshop.Workshop;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A quote as the customer gets it: as a page, or as a message. What the workshop reckons with stays in the house. */
@Service
class QuoteSheet {

    private static final double PICTURE_MM = 70;

    private record Quoted(CustomerOrder order, Workshop.Settings house, QuoteView quote, Sheet words) {
        CustomerOrder.OrderHead head() {
            return order.head();
        }

        PriceView price() {
            return quote.price();
        }
    }

    private final OrderStore store;
    private final Quotes quotes;
    private final Workshop workshop;
    private final SheetWords words;
    private final Customers customers;
    private final PieceDesk desk;

    QuoteSheet(
            OrderStore store, Quotes quotes, Workshop workshop, SheetWords words, Customers customers, PieceDesk desk) {
        this.store = store;
        this.quotes = quotes;
        this.workshop = workshop;
        this.words = words;
        this.customers = customers;
        this.desk = desk;
    }

    @Transactional(readOnly = true)
    public byte[] pdf(long order, Pdf.Paper paper) {
        Quoted sheet = sheet(order);
        String title = sheet.words()
                .text("quote.title", sheet.head().reference(), sheet.quote().number());
        StringBuilder body = new StringBuilder();
        body.append("<p class='small'>")
                .append(Pdf.text(sheet.house().name() + "\n" + sheet.house().address()))
                .append("</p>");
        body.append("<h1>").append(Pdf.text(title)).append("</h1>");
        body.append("<p>")
                .append(Pdf.text(sheet.words().text("quote.for", sheet.head().customer())))
                .append("<br/>");
        body.append(Pdf.text(dates(sheet))).append("</p><table><thead><tr>");
        body.append("<th>").append(Pdf.text(sheet.words().text("quote.piece"))).append("</th>");
        for (String column : List.of("quote.quantity", "quote.each", "quote.line")) {
            body.append("<th class='right'>")
                    .append(Pdf.text(sheet.words().text(column)))
                    .append("</th>");
        }
        body.append("</tr></thead><tbody>");
        PieceDesk.Sitting sitting = desk.sit();
        for (LinePrice line : sheet.price().lines()) {
            body.append("<tr><td>").append(Pdf.text(line.patternName()));
            body.append("<br/><span class='small'>")
                    .append(Pdf.text(details(line, sheet)))
                    .append("</span>")
                    .append(picture(line, sheet, sitting))
                    .append("</td>");
            cell(body, String.valueOf(line.quantity()));
            cell(body, sheet.words().money(line.each()));
            cell(body, sheet.words().money(line.total()));
            body.append("</tr>");
        }
        body.append("</tbody></table><p class='right'>");
        if (sheet.price().tax().signum() > 0) {
            body.append(Pdf.text(tax(sheet))).append("<br/>");
        }
        body.append("<span class='strong'>")
                .append(Pdf.text(sheet.words()
                        .text("quote.total", sheet.words().money(sheet.price().gross()))))
                .append("</span></p><p class='small'>")
                .append(Pdf.text(sheet.words().text("quote.law")))
                .append("</p>");
        return Pdf.of(title, body.toString(), paper);
    }

    /** As plain text, to be sent in any way. */
    @Transactional(readOnly = true)
    public String message(long order) {
        Quoted sheet = sheet(order);
        List<String> lines = new ArrayList<>();
        lines.add(sheet.words().text("quote.hello", sheet.head().customer()));
        lines.add("");
        for (LinePrice line : sheet.price().lines()) {
            lines.add(sheet.words()
                    .text(
                            "quote.messageLine",
                            line.quantity(),
                            line.patternName(),
                            details(line, sheet),
                            sheet.words().money(line.each()),
                            sheet.words().money(line.total())));
        }
        lines.add("");
        if (sheet.price().tax().signum() > 0) {
            lines.add(tax(sheet));
        }
        lines.add(sheet.words()
                .text("quote.total", sheet.words().money(sheet.price().gross())));
        lines.add(dates(sheet));
        lines.add("");
        lines.add(sheet.house().name());
        return String.join("\n", lines);
    }

    private Quoted sheet(long id) {
        CustomerOrder order = store.findById(id).orElseThrow(() -> new NotFound("notFound"));
        QuoteView quote = quotes.last(id).orElseThrow(() -> new NotFound("notFound"));
        Workshop.Settings house = workshop.settings();
        String language = customers.contact(order.customerId()).language();
        return new Quoted(order, house, quote, words.in(language, house.currency()));
    }

    private static String dates(Quoted sheet) {
        String named = sheet.words()
                .day(LocalDate.ofInstant(
                        sheet.quote().at(), ZoneId.of(sheet.house().zone())));
        LocalDate ready = sheet.price().ready();
        String until = sheet.quote().acceptedAt() == null
                ? sheet.words()
                        .text("quote.until", sheet.words().day(sheet.quote().validUntil()))
                : sheet.words().text("quote.accepted");
        return sheet.words().text("quote.named", named) + " " + until
                + (ready == null
                        ? ""
                        : " " + sheet.words().text("quote.ready", sheet.words().day(ready)));
    }

    private static String details(LinePrice line, Quoted sheet) {
        return sheet.words().details(line.sizeName(), line.wristUm(), line.lengthUm(), line.colours(), line.kit());
    }

    /** As the line is now; what was ordered otherwise since has no picture here. */
    private static String picture(LinePrice line, Quoted sheet, PieceDesk.Sitting sitting) {
        return sheet.order()
                .line(line.line())
                .map(OrderLine::spec)
                .filter(spec -> spec.pattern().equals(line.pattern()))
                .map(spec -> Pdf.picture(PieceView.card(sitting, sitting.workOut(spec)), PICTURE_MM))
                .orElse("");
    }

    private static String tax(Quoted sheet) {
        return sheet.words()
                .text(
                        sheet.price().taxIncluded() ? "quote.taxIn" : "quote.taxOn",
                        sheet.price().taxPercent().stripTrailingZeros().toPlainString(),
                        sheet.words().money(sheet.price().tax()));
    }

    private static void cell(StringBuilder body, String text) {
        body.append("<td class='right'>").append(Pdf.text(text)).append("</td>");
    }
}
