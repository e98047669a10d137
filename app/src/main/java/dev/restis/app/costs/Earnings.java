package dev.restis.app.costs;

import dev.restis.app.costs.CostSums.Days;
import dev.restis.app.orders.PriceList;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.core.cost.Earning;
import dev.restis.core.cost.Earning.Sold;
import dev.restis.core.cost.Price;
import dev.restis.core.cost.PriceRules;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What an hour of hands earned by each pattern, and what a piece of it would have to be sold for. */
@Service
class Earnings {

    private static final int MOST_PATTERNS = 500;

    /**
     * What a pattern earned.
     *
     * @param pieces that were made in these days, with a price that was agreed and minutes that were logged
     * @param perHour nothing while there are too few pieces to say
     * @param least of the piece that earned least by the hour
     * @param material of one piece, in the mean
     * @param workedSeconds of one piece, in the mean
     * @param priceWanted what one would be sold for by the house's rules of today, from what it really took
     * @param priceAgreed what they were sold for before tax, in the mean
     */
    record EarningRow(
            String pattern,
            String patternName,
            int pieces,
            @Nullable BigDecimal perHour,
            @Nullable BigDecimal least,
            @Nullable BigDecimal most,
            @Nullable BigDecimal material,
            @Nullable Long workedSeconds,
            @Nullable BigDecimal priceWanted,
            @Nullable BigDecimal priceAgreed) {}

    private final EntityManager entities;
    private final PieceDesk desk;
    private final PriceList prices;
    private final Clock clock;

    Earnings(EntityManager entities, PieceDesk desk, PriceList prices, Clock clock) {
        this.entities = entities;
        this.desk = desk;
        this.prices = prices;
        this.clock = clock;
    }

    /** By the names of the patterns. */
    @Transactional(readOnly = true)
    public List<EarningRow> of(Days days) {
        Map<String, List<Sold>> byPattern = new TreeMap<>();
        sold(days)
                .forEach(row -> byPattern
                        .computeIfAbsent(row.get("pattern", String.class), p -> new ArrayList<>())
                        .add(read(row)));
        PieceDesk.Sitting sitting = desk.sit();
        PriceRules rules = prices.rules();
        return byPattern.entrySet().stream()
                .limit(MOST_PATTERNS)
                .map(e -> row(e.getKey(), sitting.patternName(e.getKey()), e.getValue(), rules))
                .toList();
    }

    private static EarningRow row(String pattern, String name, List<Sold> sold, PriceRules rules) {
        return Earning.of(sold)
                .map(e -> new EarningRow(
                        pattern,
                        name,
                        e.pieces(),
                        e.perHour(),
                        e.least(),
                        e.most(),
                        e.material(),
                        e.worked().toSeconds(),
                        Price.of(e.material(), e.worked(), 1, rules).each(),
                        sold.stream()
                                .map(Sold::net)
                                .reduce(BigDecimal.ZERO, BigDecimal::add)
                                .divide(BigDecimal.valueOf(sold.size()), 2, java.math.RoundingMode.HALF_EVEN)))
                .orElseGet(() -> new EarningRow(pattern, name, sold.size(), null, null, null, null, null, null, null));
    }

    private static Sold read(Tuple row) {
        BigDecimal each = row.get("each_price", BigDecimal.class);
        BigDecimal net = row.get("tax_included", Boolean.class)
                ? each.divide(
                        BigDecimal.ONE.add(
                                row.get("tax_percent", BigDecimal.class).movePointLeft(2)),
                        MathContext.DECIMAL64)
                : each;
        return new Sold(
                net,
                row.get("fees", BigDecimal.class),
                row.get("material", BigDecimal.class),
                Duration.ofSeconds(row.get("seconds", Number.class).longValue()));
    }

    private List<Tuple> sold(Days days) {
        List<?> rows = entities.createNativeQuery("""
                        select l.pattern, cast(ln ->> 'each' as numeric) as each_price, cast(ln ->> 'fees' as numeric) as fees,
                               cast(q.content ->> 'taxPercent' as numeric) as tax_percent,
                               cast(q.content ->> 'taxIncluded' as boolean) as tax_included,
                               a.used + a.tails + a.waste + a.hardware as material, w.seconds
                        from (select distinct e.piece_id from piece_event e
                              where e.act = 'FINISH' and e.at >= :from and e.at < :to
                                and not exists (select from piece_event x
                                                where x.piece_id = e.piece_id and x.act = 'FINISH' and x.at >= :to)) made
                            join piece p on p.id = made.piece_id and p.stage >= 'MADE' and p.stage <= 'SENT'
                            join order_line l on l.id = p.line_id join piece_actual a on a.piece_id = p.id
                            join lateral (select content from quote where order_id = l.order_id and accepted_at is not null
                                          order by number desc limit 1) q on true
                            join lateral jsonb_array_elements(q.content -> 'lines') ln on cast(ln ->> 'line' as int) = l.number
                            join lateral (select sum(seconds) as seconds from bench_act where piece_id = p.id) w on w.seconds > 0
                        """, Tuple.class)
                .setParameter("from", start(days.from()))
                .setParameter("to", start(days.to().plusDays(1)))
                .getResultList();
        return rows.stream().map(row -> (Tuple) row).toList();
    }

    private java.time.Instant start(LocalDate day) {
        return day.atStartOfDay(clock.getZone()).toInstant();
    }
}
