package dev.restis.app.orders;

import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Words and figures of papers and messages that customers get, in their language where there is one. */
@Component
public class SheetWords {

    private final MessageSource messages;

    SheetWords(MessageSource messages) {
        this.messages = messages;
    }

    /** @param language as a tag; empty for English */
    public Sheet in(String language, String currency) {
        return new Sheet(messages, language.isEmpty() ? Locale.ENGLISH : Locale.forLanguageTag(language), currency);
    }

    /** One paper or message. */
    public record Sheet(MessageSource messages, Locale language, String currency) {

        public String text(String code, @Nullable Object... figures) {
            return Texts.words(messages, language, code, figures);
        }

        /** In another word where there is no such one. */
        public String textOr(String code, String other) {
            return String.valueOf(messages.getMessage(code, null, text(other), language));
        }

        public String day(LocalDate day) {
            return Texts.day(day, language);
        }

        public String money(BigDecimal amount) {
            NumberFormat format = NumberFormat.getCurrencyInstance(language);
            format.setCurrency(Currency.getInstance(currency));
            return format.format(amount);
        }

        /** What tells a piece from others of its pattern. */
        public String details(PieceSpec spec, List<String> colours) {
            return details(spec.sizeName(), spec.wristUm(), spec.lengthUm(), colours, spec.kit());
        }

        String details(
                @Nullable String size,
                @Nullable Long wristUm,
                @Nullable Long lengthUm,
                List<String> colours,
                boolean kit) {
            List<String> details = new ArrayList<>();
            if (size != null) {
                details.add(text("quote.size", size));
            } else if (wristUm != null) {
                details.add(text("quote.wrist", both(wristUm)));
            }
            if (lengthUm != null) {
                details.add(text("quote.length", both(lengthUm)));
            }
            details.add(String.join(", ", colours));
            if (kit) {
                details.add(text("quote.kit"));
            }
            return String.join(" · ", details);
        }

        private static String both(long micrometres) {
            double millimetres = new Length(micrometres).toMillimetres();
            return String.format(Locale.ROOT, "%.1f cm (%.2f in)", millimetres / 10, millimetres / 25.4);
        }
    }
}
