package dev.restis.app.orders;

import dev.restis.app.orders.Quotes.LinePrice;
import dev.restis.app.orders.Quotes.PriceView;
import dev.restis.app.orders.Quotes.QuoteView;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A quote as the customer gets it: as a page, or as a message. What the workshop reckons with stays in the house. */
@Service
class QuoteSheet {

    private record Sheet(CustomerOrder.OrderHead head, Workshop.Settings house, QuoteView quote) {
        PriceView price() {
            return quote.price();
        }
    }

    private final OrderStore store;
    private final Quotes quotes;
    private final Workshop workshop;
    private final MessageSource messages;

    QuoteSheet(OrderStore store, Quotes quotes, Workshop workshop, MessageSource messages) {
        this.store = store;
        this.quotes = quotes;
        this.workshop = workshop;
        this.messages = messages;
    }

    @Transactional(readOnly = true)
    public byte[] pdf(long order, Pdf.Paper paper) {
        Sheet sheet = sheet(order);
        String title =
                text("quote.title", sheet.head().reference(), sheet.quote().number());
        StringBuilder body = new StringBuilder();
        body.append("<p class='small'>").append(Pdf.text(sheet.house().name())).append("</p>");
        body.append("<h1>").append(Pdf.text(title)).append("</h1>");
        body.append("<p>")
                .append(Pdf.text(text("quote.for", sheet.head().customer())))
                .append("<br/>");
        body.append(Pdf.text(dates(sheet))).append("</p><table><thead><tr>");
        body.append("<th>").append(Pdf.text(text("quote.piece"))).append("</th>");
        for (String column : List.of("quote.quantity", "quote.each", "quote.line")) {
            body.append("<th class='right'>").append(Pdf.text(text(column))).append("</th>");
        }
        body.append("</tr></thead><tbody>");
        for (LinePrice line : sheet.price().lines()) {
            body.append("<tr><td>").append(Pdf.text(line.patternName()));
            body.append("<br/><span class='small'>")
                    .append(Pdf.text(details(line)))
                    .append("</span></td>");
            cell(body, String.valueOf(line.quantity()));
            cell(body, money(line.each(), sheet));
            cell(body, money(line.total(), sheet));
            body.append("</tr>");
        }
        body.append("</tbody></table><p class='right'>");
        if (sheet.price().tax().signum() > 0) {
            body.append(Pdf.text(tax(sheet))).append("<br/>");
        }
        body.append("<span class='strong'>")
                .append(Pdf.text(text("quote.total", money(sheet.price().gross(), sheet))))
                .append("</span></p><p class='small'>")
                .append(Pdf.text(text("quote.law")))
                .append("</p>");
        return Pdf.of(title, body.toString(), paper);
    }

    /** As plain text, to be sent in any way. */
    @Transactional(readOnly = true)
    public String message(long order) {
        Sheet sheet = sheet(order);
        List<String> lines = new ArrayList<>();
        lines.add(text("quote.hello", sheet.head().customer()));
        lines.add("");
        for (LinePrice line : sheet.price().lines()) {
            lines.add(text(
                    "quote.messageLine",
                    line.quantity(),
                    line.patternName(),
                    details(line),
                    money(line.each(), sheet),
                    money(line.total(), sheet)));
        }
        lines.add("");
        if (sheet.price().tax().signum() > 0) {
            lines.add(tax(sheet));
        }
        lines.add(text("quote.total", money(sheet.price().gross(), sheet)));
        lines.add(dates(sheet));
        lines.add("");
        lines.add(sheet.house().name());
        return String.join("\n", lines);
    }

    private Sheet sheet(long id) {
        CustomerOrder order = store.findById(id).orElseThrow(() -> new NotFound("notFound"));
        QuoteView quote = quotes.last(id).orElseThrow(() -> new NotFound("notFound"));
        return new Sheet(order.head(), workshop.settings(), quote);
    }

    private String dates(Sheet sheet) {
        String named = Texts.day(
                LocalDate.ofInstant(sheet.quote().at(), ZoneId.of(sheet.house().zone())));
        LocalDate ready = sheet.price().ready();
        String until = sheet.quote().acceptedAt() == null
                ? text("quote.until", Texts.day(sheet.quote().validUntil()))
                : text("quote.accepted");
        return text("quote.named", named) + " " + until
                + (ready == null ? "" : " " + text("quote.ready", Texts.day(ready)));
    }

    private String details(LinePrice line) {
        List<String> details = new ArrayList<>();
        if (line.sizeName() != null) {
            details.add(text("quote.size", line.sizeName()));
        } else if (line.wristUm() != null) {
            details.add(text("quote.wrist", both(line.wristUm())));
        }
        if (line.lengthUm() != null) {
            details.add(text("quote.length", both(line.lengthUm())));
        }
        details.add(String.join(", ", line.colours()));
        if (line.kit()) {
            details.add(text("quote.kit"));
        }
        return String.join(" · ", details);
    }

    private static String both(long micrometres) {
        double millimetres = new Length(micrometres).toMillimetres();
        return String.format(Locale.ROOT, "%.1f cm (%.2f in)", millimetres / 10, millimetres / 25.4);
    }

    private String tax(Sheet sheet) {
        return text(
                sheet.price().taxIncluded() ? "quote.taxIn" : "quote.taxOn",
                sheet.price().taxPercent().stripTrailingZeros().toPlainString(),
                money(sheet.price().tax(), sheet));
    }

    private static String money(BigDecimal amount, Sheet sheet) {
        NumberFormat format = NumberFormat.getCurrencyInstance(Locale.ENGLISH);
        format.setCurrency(Currency.getInstance(sheet.house().currency()));
        return format.format(amount);
    }

    private static void cell(StringBuilder body, String text) {
        body.append("<td class='right'>").append(Pdf.text(text)).append("</td>");
    }

    private String text(String key, Object... args) {
        return messages.getMessage(key, args, Locale.ENGLISH);
    }
}
