package dev.restis.app.orders;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.core.cost.PriceRules;
import dev.restis.core.measure.Fault;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** How the house makes its prices. */
@Service
public class PriceBook {

    /** The rules, and how long a quote stands. */
    public record Rules(PriceRules price, int validDays, int revision) {}

    /** Percent off from so many pieces on, as typed. */
    public record BreakInput(int from, String percentOff) {}

    /**
     * The rules as typed; numbers may have a comma or a point.
     *
     * @param revision of the rules that are changed
     */
    public record RulesInput(
            String labourPerHour,
            String marginPercent,
            String feePercent,
            String feePerPiece,
            String step,
            String taxPercent,
            boolean taxIncluded,
            List<BreakInput> breaks,
            int validDays,
            int revision) {}

    private static final Pattern NUMBER = Pattern.compile("\\d{1,6}([.,]\\d{1,2})?");
    private static final int MOST_BREAKS = 8;
    private static final int MOST_DAYS = 365;

    private final SettingRevisions revisions;
    private final JdbcClient jdbc;
    private final JsonMapper json = JsonMapper.builder().build();

    PriceBook(SettingRevisions revisions, JdbcClient jdbc) {
        this.revisions = revisions;
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public Rules rules() {
        int revision = revisions.of(Setting.PRICES);
        return jdbc.sql("select * from price_rules")
                .query((row, n) -> new Rules(
                        new PriceRules(
                                row.getBigDecimal("labour_per_hour"),
                                row.getBigDecimal("margin_percent"),
                                row.getBigDecimal("fee_percent"),
                                row.getBigDecimal("fee_per_piece"),
                                row.getBigDecimal("step"),
                                row.getBigDecimal("tax_percent"),
                                row.getBoolean("tax_included"),
                                json.readValue(
                                        row.getString("breaks"), new TypeReference<List<PriceRules.Break>>() {})),
                        row.getInt("valid_days"),
                        revision))
                .single();
    }

    @Transactional
    public int keep(RulesInput input) {
        List<Fault> faults = new ArrayList<>();
        BigDecimal labour = number("labourPerHour", input.labourPerHour(), "0", "1000", faults);
        BigDecimal margin = number("marginPercent", input.marginPercent(), "0", "900", faults);
        BigDecimal fee = number("feePercent", input.feePercent(), "0", "60", faults);
        BigDecimal perPiece = number("feePerPiece", input.feePerPiece(), "0", "1000", faults);
        BigDecimal step = number("step", input.step(), "0.01", "100", faults);
        BigDecimal tax = number("taxPercent", input.taxPercent(), "0", "60", faults);
        List<PriceRules.Break> breaks = breaks(input.breaks(), faults);
        if (input.validDays() < 1 || input.validDays() > MOST_DAYS) {
            faults.add(Fault.of("validDays", "count.range", input.validDays(), 1, MOST_DAYS));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int next = revisions.next(Setting.PRICES, input.revision());
        jdbc.sql("""
                        update price_rules set labour_per_hour = ?, margin_percent = ?, fee_percent = ?, fee_per_piece = ?,
                            step = ?, tax_percent = ?, tax_included = ?, breaks = cast(? as jsonb), valid_days = ?
                        """)
                .params(
                        labour,
                        margin,
                        fee,
                        perPiece,
                        step,
                        tax,
                        input.taxIncluded(),
                        json.writeValueAsString(breaks),
                        input.validDays())
                .update();
        return next;
    }

    private static List<PriceRules.Break> breaks(List<BreakInput> input, List<Fault> faults) {
        List<PriceRules.Break> breaks = new ArrayList<>();
        if (input.size() > MOST_BREAKS) {
            faults.add(Fault.of("breaks", "count.range", input.size(), 0, MOST_BREAKS));
        }
        for (int i = 0; i < input.size(); i++) {
            int from = input.get(i).from();
            if (from < 2 || from > Orders.MOST_PIECES) {
                faults.add(Fault.of("breaks[" + i + "].from", "count.range", from, 2, Orders.MOST_PIECES));
            }
            if (breaks.stream().anyMatch(b -> b.from() == from)) {
                faults.add(Fault.of("breaks[" + i + "].from", "pattern.twice", from));
            }
            breaks.add(new PriceRules.Break(
                    from, number("breaks[" + i + "].percentOff", input.get(i).percentOff(), "0", "90", faults)));
        }
        return breaks;
    }

    private static BigDecimal number(
            String field, @Nullable String text, String least, String most, List<Fault> faults) {
        Optional<BigDecimal> number = Optional.ofNullable(text)
                .map(String::strip)
                .filter(t -> NUMBER.matcher(t).matches())
                .map(t -> new BigDecimal(t.replace(',', '.')));
        if (number.isEmpty()) {
            faults.add(Fault.of(field, "number.unread", String.valueOf(text)));
        } else if (number.get().compareTo(new BigDecimal(least)) < 0
                || number.get().compareTo(new BigDecimal(most)) > 0) {
            faults.add(Fault.of(field, "number.range", number.get().toPlainString(), least, most));
        }
        return number.orElse(BigDecimal.ZERO);
    }
}
