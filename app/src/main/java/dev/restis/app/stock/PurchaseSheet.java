package dev.restis.app.stock;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Purchases.PurchaseLine;
import dev.restis.app.stock.Purchases.PurchaseView;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.stock.Unit;
import java.math.BigDecimal;
import java.text.NumberFormat;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;

/** A purchase as its supplier gets it: as a page, or as a table. */
@Service
class PurchaseSheet {

    private static final double METRES_IN_FOOT = 0.3048;

    private final Purchases purchases;
    private final Workshop workshop;
    private final MessageSource messages;

    PurchaseSheet(Purchases purchases, Workshop workshop, MessageSource messages) {
        this.purchases = purchases;
        this.workshop = workshop;
        this.messages = messages;
    }

    byte[] pdf(long id, Pdf.Paper paper, UnitSystem units) {
        PurchaseView purchase = purchases.one(id);
        Workshop.Settings house = workshop.settings();
        String title = text("purchase.title", purchase.id(), purchase.supplier());
        StringBuilder body = new StringBuilder();
        body.append("<p class='small'>").append(Pdf.text(house.name())).append("</p>");
        body.append("<h1>").append(Pdf.text(title)).append("</h1><p>");
        body.append(Pdf.text(text("purchase.expected", purchase.expectedOn()))).append("</p><table><thead><tr>");
        for (String column : List.of("purchase.theirs", "purchase.ours", "purchase.putUp")) {
            body.append("<th>").append(Pdf.text(text(column))).append("</th>");
        }
        for (String column : List.of("purchase.count", "purchase.each", "purchase.line")) {
            body.append("<th class='right'>").append(Pdf.text(text(column))).append("</th>");
        }
        body.append("</tr></thead><tbody>");
        for (PurchaseLine line : purchase.lines()) {
            body.append("<tr><td>").append(Pdf.text(line.code())).append("</td>");
            body.append("<td>")
                    .append(Pdf.text(line.articleCode() + " " + line.name()))
                    .append("</td>");
            body.append("<td>").append(Pdf.text(putUp(line, units))).append("</td>");
            for (String figure :
                    List.of(String.valueOf(line.count()), money(line.price(), house), money(line.total(), house))) {
                body.append("<td class='right'>").append(Pdf.text(figure)).append("</td>");
            }
            body.append("</tr>");
        }
        body.append("<tr class='strong'><td colspan='5'>").append(Pdf.text(text("purchase.total")));
        body.append("</td><td class='right'>")
                .append(Pdf.text(money(purchase.total(), house)))
                .append("</td></tr></tbody></table>");
        return Pdf.of(title, body.toString(), paper);
    }

    String csv(long id) {
        List<List<Object>> rows = new ArrayList<>();
        for (PurchaseLine line : purchases.one(id).lines()) {
            rows.add(List.of(
                    line.code(),
                    line.articleCode(),
                    line.name(),
                    putUp(line, UnitSystem.METRIC),
                    line.count(),
                    line.price(),
                    line.total()));
        }
        return CsvText.of(List.of("their code", "article", "name", "put-up", "count", "price each", "price"), rows);
    }

    private String putUp(PurchaseLine line, UnitSystem units) {
        if (line.unit() == Unit.PIECE) {
            return text("purchase.pieces", line.quantity());
        }
        if (line.unit() != Unit.METRE) {
            return line.unit().write(line.quantity());
        }
        double metres = new Length(line.quantity()).toMillimetres() / 1000;
        return units == UnitSystem.METRIC
                ? String.format(Locale.ROOT, "%.4g m", metres)
                        .replaceFirst("(\\.\\d*?)0+ ", "$1 ")
                        .replace(". ", " ")
                : String.format(Locale.ROOT, "%.1f ft", metres / METRES_IN_FOOT);
    }

    private static String money(BigDecimal amount, Workshop.Settings house) {
        NumberFormat format = NumberFormat.getCurrencyInstance(Locale.ENGLISH);
        format.setCurrency(Currency.getInstance(house.currency()));
        return format.format(amount);
    }

    private String text(String code, Object... args) {
        return Texts.words(messages, code, args);
    }
}
