package dev.restis.app.platform;

import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.NumberFormat;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Puts faults into words from the message files. */
@Component
public class FaultWords {

    private final MessageSource messages;

    FaultWords(MessageSource messages) {
        this.messages = messages;
    }

    public List<FieldProblem> of(List<Fault> faults) {
        return faults.stream().map(this::of).toList();
    }

    public FieldProblem of(Fault fault) {
        Object[] args = fault.args().stream().map(FaultWords::shown).toArray();
        String remedy = text("fault." + fault.code() + ".remedy", args);
        return new FieldProblem(
                fault.field(),
                fault.code(),
                text("fault." + fault.code(), args),
                fault.likely()
                        .map(meant -> text("fault.meant", shown(meant)) + " " + remedy)
                        .orElse(remedy),
                fault.likely().map(Length::micrometres).orElse(null));
    }

    public String text(String key, Object... args) {
        return messages.getMessage(key, args, Locale.ENGLISH);
    }

    /** A message stands alone, so it gives a length in both units; other numbers are grouped. */
    static Object shown(Object arg) {
        if (arg instanceof Length length) {
            double millimetres = length.toMillimetres();
            return number(millimetres / 10, 1) + " cm (" + number(millimetres / 25.4, 2) + " in)";
        }
        if (arg instanceof LocalDateTime time) {
            return DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH)
                    .format(time);
        }
        return arg instanceof Number number
                ? NumberFormat.getInstance(Locale.ENGLISH).format(number)
                : arg.toString();
    }

    private static String number(double value, int digits) {
        return BigDecimal.valueOf(value)
                .setScale(digits, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
