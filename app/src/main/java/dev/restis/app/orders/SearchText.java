package dev.restis.app.orders;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.stock.Article;
import java.util.Locale;
import java.util.StringJoiner;

/** What an order can be found by: names and notes, patterns, colours and parts, sizes, in small letters. */
final class SearchText {

    private SearchText() {}

    static String of(CustomerOrder order, PieceDesk.Sitting sitting) {
        StringJoiner text = new StringJoiner(" ");
        CustomerOrder.OrderHead head = order.head();
        text.add(head.reference()).add(head.customer()).add(head.note());
        for (OrderLine line : order.lines()) {
            PieceSpec spec = line.spec();
            text.add(spec.pattern()).add(sitting.patternName(spec.pattern())).add(line.note());
            if (spec.sizeName() != null) {
                text.add(spec.sizeName());
            }
            spec.articles().forEach(id -> named(sitting.article(id), text));
            spec.parts().forEach(part -> named(sitting.article(part.article()), text));
        }
        return text.toString().toLowerCase(Locale.ROOT);
    }

    private static void named(Article article, StringJoiner text) {
        text.add(article.code()).add(article.name());
    }
}
