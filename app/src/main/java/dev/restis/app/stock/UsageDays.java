package dev.restis.app.stock;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** What articles used up, by weeks: summed for days that are over, read from the ledger for those that are not. */
@Component
class UsageDays {

    private static final int DAYS_IN_WEEK = 7;
    /** A movement that began before midnight is on the books by then. */
    private static final Duration SETTLED = Duration.ofMinutes(10);

    private static final String USED = "l.movement in ('CUT', 'PICK', 'BIN', 'SELL', 'LEFT')";

    private final JdbcClient jdbc;
    private final Clock clock;
    private final TransactionTemplate transaction;

    UsageDays(JdbcClient jdbc, Clock clock, PlatformTransactionManager transactions) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Sums the days that are over since the last time; of several instances one does. */
    @Scheduled(initialDelay = 3_000, fixedDelay = 600_000)
    public void sum() {
        transaction.executeWithoutResult(status -> jdbc.sql("select until from usage_summed for update skip locked")
                .query((row, n) -> Optional.ofNullable(row.getObject(1, LocalDate.class)))
                .optional()
                .ifPresent(until -> sumAfter(until.orElse(null))));
    }

    private void sumAfter(@Nullable LocalDate until) {
        ZoneId zone = clock.getZone();
        LocalDate last =
                LocalDate.ofInstant(clock.instant().minus(SETTLED), zone).minusDays(1);
        if (until != null && !until.isBefore(last)) {
            return;
        }
        jdbc.sql("""
                        insert into usage_day (day, article_id, quantity)
                        select cast(l.at at time zone :zone as date), lot.article_id, -sum(l.quantity)
                        from ledger l join holding h on h.id = l.holding_id join lot on lot.id = h.lot_id
                        where l.at >= :from and l.at < :until and %s group by 1, 2
                        """.formatted(USED))
                .param("zone", zone.getId())
                .param("from", Timestamp.from(until == null ? Instant.EPOCH : begin(until.plusDays(1), zone)))
                .param("until", Timestamp.from(begin(last.plusDays(1), zone)))
                .update();
        jdbc.sql("update usage_summed set until = ?").param(last).update();
    }

    /** What each of the last weeks used up, by article; week 0 ends today. */
    Map<Long, Map<Integer, Long>> weeks(LocalDate today, int weeks) {
        ZoneId zone = clock.getZone();
        LocalDate first = today.minusDays((long) weeks * DAYS_IN_WEEK - 1);
        LocalDate live = jdbc.sql("select until from usage_summed")
                .query((row, n) -> Optional.ofNullable(row.getObject(1, LocalDate.class)))
                .single()
                .map(until -> until.plusDays(1))
                .filter(first::isBefore)
                .orElse(first);
        Map<Long, Map<Integer, Long>> used = new HashMap<>();
        jdbc.sql("""
                        select article_id, (cast(:today as date) - day) / :length as week, sum(quantity) as used
                        from (select article_id, day, quantity from usage_day where day >= :first and day < :live
                              union all
                              select lot.article_id, cast(l.at at time zone :zone as date), -l.quantity
                              from ledger l join holding h on h.id = l.holding_id join lot on lot.id = h.lot_id
                              where l.at >= :from and %s) u
                        where day <= :today group by 1, 2
                        """.formatted(USED))
                .param("today", today)
                .param("first", first)
                .param("live", live)
                .param("length", DAYS_IN_WEEK)
                .param("zone", zone.getId())
                .param("from", Timestamp.from(begin(live, zone)))
                .query(row -> {
                    used.computeIfAbsent(row.getLong(1), a -> new HashMap<>()).put(row.getInt(2), row.getLong(3));
                });
        return used;
    }

    private static Instant begin(LocalDate day, ZoneId zone) {
        return day.atStartOfDay(zone).toInstant();
    }
}
