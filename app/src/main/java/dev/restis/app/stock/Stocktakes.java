package dev.restis.app.stock;

import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.LockOrder.Rank;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.measure.WeightReader;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import dev.restis.core.stock.Unit;
import dev.restis.core.stock.Weighing;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Counting what really lies on the shelves, looking at the differences, and setting the books right by them. */
@Service
public class Stocktakes {

    private static final int MOST_LINES = 3000;
    private static final int MOST_SHOWN = 50;

    /**
     * What is to be counted.
     *
     * @param article its code; all when missing
     * @param shelf all when missing
     * @param blind whether what is expected is kept from whoever counts until it is counted
     */
    public record NewStocktake(
            @Nullable String article, @Nullable String shelf, boolean blind) {}

    /** How a holding was counted. */
    public enum How {
        LENGTH,
        COUNT,
        WEIGHT
    }

    /**
     * A count as typed.
     *
     * @param amount a length or a number of pieces; the gross weight when weighed
     * @param tare weight of the empty spool, when weighed
     */
    public record CountInput(String amount, @Nullable String tare, How how, UnitSystem units) {}

    /**
     * A holding in a stocktake.
     *
     * @param expected what was on the books when it was counted, or is now when it was not; nothing when that is kept secret
     * @param difference counted less expected
     * @param value what the books change by; below 0 for what is missing
     */
    public record CountLine(
            long holdingId,
            String label,
            String kind,
            String shelf,
            String lot,
            String code,
            String name,
            String colour,
            Unit unit,
            @Nullable Long densityUgM,
            @Nullable Long tareMg,
            @Nullable Long expected,
            @Nullable Long counted,
            @Nullable Long difference,
            @Nullable BigDecimal value,
            String typed,
            String reason) {}

    record StocktakeView(
            long id,
            String what,
            boolean blind,
            Instant startedAt,
            String startedBy,
            @Nullable Instant bookedAt,
            @Nullable String bookedBy,
            boolean givenUp,
            int lines,
            int counted) {

        boolean open() {
            return bookedAt == null && !givenUp;
        }
    }

    private final Stock stock;
    private final Ledger ledger;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    Stocktakes(Stock stock, Ledger ledger, EntityManager entities, JdbcClient jdbc, Clock clock) {
        this.stock = stock;
        this.ledger = ledger;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional
    public long start(NewStocktake typed) {
        String article = Texts.given(typed.article()).orElse("");
        String shelf = Texts.given(typed.shelf()).orElse("");
        List<Long> holdings = jdbc.sql("""
                        select h.id from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where h.quantity > 0 and (:article = '' or lower(a.code) = lower(:article))
                            and (:shelf = '' or lower(h.shelf) = lower(:shelf))
                        order by h.shelf, a.code, h.id
                        """)
                .param("article", article)
                .param("shelf", shelf)
                .query(Long.class)
                .list();
        if (holdings.isEmpty() || holdings.size() > MOST_LINES) {
            String field = article.isEmpty() ? "shelf" : "article";
            throw new Rejected(
                    holdings.isEmpty()
                            ? Fault.of(field, "stocktake.nothing")
                            : Fault.of(field, "stocktake.tooMuch", holdings.size(), MOST_LINES));
        }
        String what = String.join(" ", article, shelf).strip();
        long id = jdbc.sql("""
                        insert into stocktake (started_at, started_by, what, blind) values (?, ?, ?, ?) returning id
                        """)
                .params(Timestamp.from(clock.instant()), Workshop.whoever(), what, typed.blind())
                .query(Long.class)
                .single();
        jdbc.sql("insert into stocktake_line (stocktake_id, holding_id) select ?, unnest(cast(? as bigint[]))")
                .params(id, holdings.toArray(Long[]::new))
                .update();
        return id;
    }

    /** Notes what lies there, against what is on the books in this moment. */
    @Transactional
    public void count(long id, long holding, CountInput typed) {
        open(id);
        Balance balance = ledger.lock(holding);
        List<Fault> faults = new ArrayList<>();
        Optional<Long> counted = typed.how() == How.WEIGHT
                ? weighed(holding, typed, faults)
                : stock.counted(holding, typed.amount(), typed.units());
        if (counted.isEmpty() && faults.isEmpty()) {
            faults.add(Fault.of("amount", "counted.unread", typed.amount()));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int noted = jdbc.sql("""
                        update stocktake_line set expected = ?, counted = ?, how = ?, typed = ?, counted_at = ?, counted_by = ?
                        where stocktake_id = ? and holding_id = ?
                        """)
                .params(
                        balance.quantity(),
                        counted.orElseThrow(),
                        typed.how().name(),
                        typed.amount().strip(),
                        Timestamp.from(clock.instant()),
                        Workshop.whoever(),
                        id,
                        holding)
                .update();
        if (noted == 0) {
            throw new NotFound("notFound");
        }
    }

    private Optional<Long> weighed(long holding, CountInput typed, List<Fault> faults) {
        Optional<Long> density = jdbc.sql("""
                        select a.density_ug_m from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where h.id = ? and h.kind <> 'BOX'
                        """)
                .param(holding)
                .query((row, n) -> Optional.ofNullable(row.getObject(1, Long.class)))
                .optional()
                .flatMap(found -> found);
        if (density.isEmpty()) {
            faults.add(Fault.of("amount", "weight.noDensity"));
            return Optional.empty();
        }
        Optional<Long> gross = weight("amount", typed.amount(), typed.units(), faults);
        Optional<Long> tare = weight("tare", Texts.given(typed.tare()).orElse("0"), typed.units(), faults);
        if (gross.isEmpty() || tare.isEmpty()) {
            return Optional.empty();
        }
        if (gross.get() < tare.get()) {
            faults.add(Fault.of("tare", "weight.tare"));
            return Optional.empty();
        }
        jdbc.sql("update holding set tare_mg = ? where id = ?")
                .params(tare.get(), holding)
                .update();
        return Optional.of(
                Weighing.length(gross.get(), tare.get(), density.get()).micrometres());
    }

    static Optional<Long> weight(String field, String text, UnitSystem units, List<Fault> faults) {
        Optional<Long> weight = WeightReader.read(text, units).filter(mg -> mg <= Weighing.MOST_MG);
        if (weight.isEmpty()) {
            faults.add(Fault.of(field, "weight.unread", text));
        }
        return weight;
    }

    /** Why a line differs. */
    public record CountReason(long holding, String reason) {}

    /**
     * Sets the books right by what was counted, each difference with its reason. What was cut or sold since a holding was
     * counted stays cut and sold: the difference is booked, not the count.
     */
    @Transactional
    public void book(long id, List<CountReason> reasons) {
        open(id);
        for (CountReason reason : reasons) {
            jdbc.sql("update stocktake_line set reason = ? where stocktake_id = ? and holding_id = ?")
                    .params(reason.reason().strip(), id, reason.holding())
                    .update();
        }
        List<CountLine> lines = lines(id);
        List<Fault> faults = new ArrayList<>();
        if (lines.stream().allMatch(l -> l.counted() == null)) {
            faults.add(Fault.of("lines", "stocktake.nothingCounted"));
        }
        for (CountLine line : lines) {
            if (line.difference() != null
                    && line.difference() != 0
                    && line.reason().isEmpty()) {
                faults.add(Fault.of("reasons[" + line.holdingId() + "]", "stocktake.reason", line.label()));
            } else if (line.reason().length() > 200) {
                faults.add(Fault.of("reasons[" + line.holdingId() + "]", "tooLong", 200));
            }
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        List<CountLine> differing = lines.stream()
                .filter(l -> l.difference() != null && l.difference() != 0)
                .sorted(Comparator.comparing(CountLine::holdingId))
                .toList();
        ledger.hold(differing.stream().map(CountLine::holdingId).toList());
        for (CountLine line : differing) {
            if (line.difference() != null) {
                Balance balance = ledger.balance(line.holdingId());
                long change = line.difference();
                if (balance.quantity() + change < 0) {
                    throw new Rejected(Fault.of("reasons[" + line.holdingId() + "]", "stocktake.gone", line.label()));
                }
                BigDecimal value = change < 0 ? balance.costOf(-change).negate() : BigDecimal.ZERO;
                ledger.post(Movement.COUNT, line.holdingId(), change, value, Cause.of(line.reason()));
            }
        }
        entities.flush();
        jdbc.sql("update stocktake set booked_at = ?, booked_by = ? where id = ?")
                .params(Timestamp.from(clock.instant()), Workshop.whoever(), id)
                .update();
    }

    @Transactional
    public void giveUp(long id) {
        open(id);
        jdbc.sql("update stocktake set given_up = true where id = ?").param(id).update();
    }

    /** Locks a stocktake that is still open. */
    private void open(long id) {
        LockOrder.next(Rank.STOCKTAKE, List.of(id));
        boolean open = jdbc.sql("select booked_at is null and not given_up from stocktake where id = ? for update")
                .param(id)
                .query(Boolean.class)
                .optional()
                .orElseThrow(() -> new NotFound("notFound"));
        if (!open) {
            throw new Conflict("stocktake.closed");
        }
    }

    /** Open ones first, then the newest. */
    @Transactional(readOnly = true)
    public List<StocktakeView> all() {
        return jdbc.sql(VIEW + " order by (s.booked_at is null and not s.given_up) desc, s.id desc limit " + MOST_SHOWN)
                .query(StocktakeView.class)
                .list();
    }

    @Transactional(readOnly = true)
    public StocktakeView one(long id) {
        return jdbc.sql(VIEW + " where s.id = ?")
                .param(id)
                .query(StocktakeView.class)
                .optional()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    private static final String VIEW = """
            select s.id, s.what, s.blind, s.started_at, s.started_by, s.booked_at, s.booked_by, s.given_up,
                   (select count(*) from stocktake_line l where l.stocktake_id = s.id) as lines,
                   (select count(l.counted) from stocktake_line l where l.stocktake_id = s.id) as counted
            from stocktake s
            """;

    @Transactional(readOnly = true)
    public List<CountLine> lines(long id) {
        StocktakeView stocktake = one(id);
        return jdbc.sql("""
                        select l.holding_id, h.label, h.kind, h.shelf, lot.code as lot, a.code, a.name, a.colour,
                               a.unit, a.density_ug_m, h.tare_mg, l.expected, l.counted, l.typed, l.reason,
                               h.quantity, h.value
                        from stocktake_line l join holding h on h.id = l.holding_id join lot on lot.id = h.lot_id
                            join article a on a.id = lot.article_id
                        where l.stocktake_id = ? order by h.shelf, a.code, h.id
                        """)
                .param(id)
                .query((row, n) -> {
                    Long counted = row.getObject("counted", Long.class);
                    Long then = row.getObject("expected", Long.class);
                    Balance now = new Balance(row.getLong("quantity"), row.getBigDecimal("value"));
                    Long difference = counted == null || then == null ? null : Long.valueOf(counted - then);
                    boolean secret = stocktake.blind() && stocktake.open() && counted == null;
                    return new CountLine(
                            row.getLong("holding_id"),
                            row.getString("label"),
                            row.getString("kind"),
                            row.getString("shelf"),
                            row.getString("lot"),
                            row.getString("code"),
                            row.getString("name"),
                            row.getString("colour"),
                            Unit.valueOf(row.getString("unit")),
                            row.getObject("density_ug_m", Long.class),
                            row.getObject("tare_mg", Long.class),
                            secret ? null : then == null ? now.quantity() : then,
                            counted,
                            difference,
                            difference == null ? null : value(now, difference),
                            row.getString("typed"),
                            row.getString("reason"));
                })
                .list();
    }

    /** What is missing takes its share of the value with it; what is found costs nothing. */
    private static BigDecimal value(Balance now, long difference) {
        return difference >= 0 || -difference > now.quantity()
                ? BigDecimal.ZERO
                : now.costOf(-difference).negate();
    }
}
