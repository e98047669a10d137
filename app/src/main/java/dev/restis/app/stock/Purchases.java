package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Supply.SupplyMoved;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.stock.Unit;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.SimplePropertyRowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was bought, and how much of it has come. */
@Service
public class Purchases {

    private static final int MOST_LINES = 200;
    private static final int MOST_PUT_UPS = 10_000;
    private static final int MOST_SHOWN = 100;
    /** Days ahead that something may be expected. */
    private static final int MOST_AHEAD = 400;

    /** So many of a put-up. */
    public record BuyPick(long putUp, int count) {}

    public record NewPurchase(long supplier, List<BuyPick> lines) {}

    /**
     * A line of a purchase.
     *
     * @param quantity of one put-up, micrometres or pieces
     * @param price of one put-up
     * @param received how many of {@code count} have come
     * @param open how many are waited for, and {@code openPrice} what those cost
     * @param total what all of them cost
     */
    record PurchaseLine(
            long id,
            long articleId,
            String articleCode,
            String name,
            Unit unit,
            long quantity,
            BigDecimal price,
            String code,
            int count,
            int received,
            int open,
            BigDecimal openPrice,
            BigDecimal total) {}

    record PurchaseView(
            long id,
            long supplierId,
            String supplier,
            BigDecimal minimum,
            Instant at,
            String who,
            LocalDate expectedOn,
            boolean open,
            BigDecimal total,
            List<PurchaseLine> lines) {}

    private final JdbcClient jdbc;
    private final Clock clock;
    private final ApplicationEventPublisher listeners;

    Purchases(JdbcClient jdbc, Clock clock, ApplicationEventPublisher listeners) {
        this.listeners = listeners;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional
    public long place(NewPurchase purchase) {
        record Sold(long id, long article, long quantity, BigDecimal price, String code) {}
        List<Fault> faults = new ArrayList<>();
        if (purchase.lines().isEmpty() || purchase.lines().size() > MOST_LINES) {
            faults.add(Fault.of("lines", "lines.range", purchase.lines().size(), MOST_LINES));
        }
        Map<Long, Sold> sold = new TreeMap<>();
        jdbc.sql("select id, article_id, quantity, price, code from put_up where supplier_id = ? and not withdrawn")
                .param(purchase.supplier())
                .query((row, n) -> new Sold(
                        row.getLong(1), row.getLong(2), row.getLong(3), row.getBigDecimal(4), row.getString(5)))
                .list()
                .forEach(s -> sold.put(s.id(), s));
        for (int i = 0; i < purchase.lines().size(); i++) {
            BuyPick pick = purchase.lines().get(i);
            if (!sold.containsKey(pick.putUp())) {
                faults.add(Fault.of("lines[" + i + "].putUp", "putUp.gone"));
            }
            if (pick.count() < 1 || pick.count() > MOST_PUT_UPS) {
                faults.add(Fault.of("lines[" + i + "].count", "count.range", pick.count(), 1, MOST_PUT_UPS));
            }
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int leadDays = jdbc.sql("select lead_days from supplier where id = ?")
                .param(purchase.supplier())
                .query(Integer.class)
                .single();
        long id = jdbc.sql("insert into purchase (supplier_id, at, who, expected_on) values (?, ?, ?, ?) returning id")
                .params(
                        purchase.supplier(),
                        Timestamp.from(clock.instant()),
                        Workshop.whoever(),
                        LocalDate.now(clock).plusDays(leadDays))
                .query(Long.class)
                .single();
        for (BuyPick pick : purchase.lines()) {
            Sold what = java.util.Objects.requireNonNull(sold.get(pick.putUp()));
            jdbc.sql("""
                            insert into purchase_line (purchase_id, article_id, quantity, price, code, count)
                            values (?, ?, ?, ?, ?, ?)
                            """)
                    .params(id, what.article(), what.quantity(), what.price(), what.code(), pick.count())
                    .update();
        }
        listeners.publishEvent(new SupplyMoved());
        return id;
    }

    /** Whether a delivered line is one of a purchase that is open and of that article. */
    void check(@Nullable Long line, Article article, String field, List<Fault> faults) {
        if (line == null) {
            return;
        }
        boolean fits =
                jdbc.sql("""
                        select exists (select 1 from purchase_line l join purchase p on p.id = l.purchase_id
                                       where l.id = ? and l.article_id = ? and p.closed_at is null)
                        """).params(line, article.id()).query(Boolean.class).single();
        if (!fits) {
            faults.add(Fault.of(field, "purchase.other", article.code()));
        }
    }

    /** So many put-ups of a line have come; a purchase of which everything has come is closed. */
    void delivered(long line, int putUps) {
        jdbc.sql("update purchase_line set received = received + ? where id = ?")
                .params(putUps, line)
                .update();
        jdbc.sql("""
                        update purchase p set closed_at = ?, closed_by = ?
                        where id = (select purchase_id from purchase_line where id = ?) and closed_at is null
                            and not exists (select 1 from purchase_line l where l.purchase_id = p.id and l.received < l.count)
                        """)
                .params(Timestamp.from(clock.instant()), Workshop.whoever(), line)
                .update();
        listeners.publishEvent(new SupplyMoved());
    }

    /** It comes on another day than its supplier usually takes. */
    @Transactional
    public void expectOn(long id, LocalDate day) {
        LocalDate today = LocalDate.now(clock);
        if (day.isBefore(today) || day.isAfter(today.plusDays(MOST_AHEAD))) {
            throw new Rejected(Fault.of("day", "purchase.day", MOST_AHEAD));
        }
        int kept = jdbc.sql("update purchase set expected_on = ? where id = ? and closed_at is null")
                .params(day, id)
                .update();
        if (kept == 0) {
            one(id);
            throw new Conflict("purchase.closed");
        }
        listeners.publishEvent(new SupplyMoved());
    }

    /** Nothing more of it is waited for. */
    @Transactional
    public void close(long id) {
        one(id);
        int closed = jdbc.sql("update purchase set closed_at = ?, closed_by = ? where id = ? and closed_at is null")
                .params(Timestamp.from(clock.instant()), Workshop.whoever(), id)
                .update();
        if (closed == 0) {
            throw new Conflict("purchase.closed");
        }
        listeners.publishEvent(new SupplyMoved());
    }

    /** Open ones first, then the newest. */
    @Transactional(readOnly = true)
    public List<PurchaseView> all() {
        return views("order by (p.closed_at is null) desc, p.id desc limit " + MOST_SHOWN, List.of());
    }

    @Transactional(readOnly = true)
    public PurchaseView one(long id) {
        return views("where p.id = ?", List.of(id)).stream().findFirst().orElseThrow(() -> new NotFound("notFound"));
    }

    private List<PurchaseView> views(String which, List<Object> params) {
        record Head(
                long id,
                long supplierId,
                String name,
                BigDecimal minimum,
                Instant at,
                String who,
                LocalDate expectedOn,
                boolean open) {}
        List<Head> heads =
                jdbc.sql("""
                        select p.id, p.supplier_id, s.name, s.minimum, p.at, p.who, p.expected_on, p.closed_at is null as open
                        from purchase p join supplier s on s.id = p.supplier_id
                        """ + which).params(params).query(Head.class).list();
        Map<Long, List<PurchaseLine>> lines = lines(heads.stream().map(Head::id).toList());
        return heads.stream()
                .map(head -> {
                    List<PurchaseLine> its = lines.getOrDefault(head.id(), List.of());
                    return new PurchaseView(
                            head.id(),
                            head.supplierId(),
                            head.name(),
                            head.minimum(),
                            head.at(),
                            head.who(),
                            head.expectedOn(),
                            head.open(),
                            its.stream().map(PurchaseLine::total).reduce(BigDecimal.ZERO, BigDecimal::add),
                            its);
                })
                .toList();
    }

    private Map<Long, List<PurchaseLine>> lines(List<Long> purchases) {
        Map<Long, List<PurchaseLine>> lines = new HashMap<>();
        RowMapper<PurchaseLine> line = new SimplePropertyRowMapper<>(PurchaseLine.class);
        jdbc.sql("""
                        select l.purchase_id, l.id, l.article_id, a.code as article_code, a.name, a.unit, l.quantity, l.price,
                               l.code, l.count, l.received, greatest(l.count - l.received, 0) as open,
                               l.price * greatest(l.count - l.received, 0) as open_price, l.price * l.count as total
                        from purchase_line l join article a on a.id = l.article_id
                        where l.purchase_id = any (?) order by a.code, l.id
                        """).param(purchases.toArray(Long[]::new)).query(row -> {
            lines.computeIfAbsent(row.getLong("purchase_id"), p -> new ArrayList<>())
                    .add(line.mapRow(row, row.getRow()));
        });
        return lines;
    }

    /** What is bought and has not come, by article and the day it is expected. */
    @Transactional(readOnly = true)
    public Map<Long, Map<LocalDate, Long>> onOrder() {
        Map<Long, Map<LocalDate, Long>> onOrder = new TreeMap<>();
        jdbc.sql("""
                        select l.article_id, p.expected_on, sum(l.quantity * (l.count - l.received)) as quantity
                        from purchase_line l join purchase p on p.id = l.purchase_id
                        where p.closed_at is null and l.received < l.count group by 1, 2
                        """).query(row -> {
            onOrder.computeIfAbsent(row.getLong(1), a -> new TreeMap<>())
                    .put(row.getObject(2, LocalDate.class), row.getLong(3));
        });
        return onOrder;
    }
}
