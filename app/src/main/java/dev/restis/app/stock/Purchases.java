package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Supply.SupplyMoved;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.stock.Unit;
import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
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

    private record Expected(long article, LocalDate day, long quantity) {}

    private static final String HEADS = "from PurchaseRow p join fetch p.supplier ";

    private final EntityManager entities;
    private final Clock clock;
    private final ApplicationEventPublisher listeners;

    Purchases(EntityManager entities, Clock clock, ApplicationEventPublisher listeners) {
        this.listeners = listeners;
        this.entities = entities;
        this.clock = clock;
    }

    @Transactional
    public long place(NewPurchase purchase) {
        List<Fault> faults = new ArrayList<>();
        if (purchase.lines().isEmpty() || purchase.lines().size() > MOST_LINES) {
            faults.add(Fault.of("lines", "lines.range", purchase.lines().size(), MOST_LINES));
        }
        Map<Long, PutUpRow> sold = new TreeMap<>();
        entities.createQuery("from PutUpRow p where p.supplier.id = :supplier and not p.withdrawn", PutUpRow.class)
                .setParameter("supplier", purchase.supplier())
                .getResultList()
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
        SupplierRow supplier = entities.find(SupplierRow.class, purchase.supplier());
        PurchaseRow placed = new PurchaseRow(
                supplier,
                clock.instant(),
                Workshop.whoever(),
                LocalDate.now(clock).plusDays(supplier.leadDays()));
        for (BuyPick pick : purchase.lines()) {
            placed.add(Objects.requireNonNull(sold.get(pick.putUp())), pick.count());
        }
        entities.persist(placed);
        listeners.publishEvent(new SupplyMoved());
        return placed.id();
    }

    /** Whether a delivered line is one of a purchase that is open and of that article. */
    void check(@Nullable Long line, Article article, String field, List<Fault> faults) {
        if (line == null) {
            return;
        }
        boolean fits = entities.createQuery("""
                                select count(*) from PurchaseLineRow l
                                where l.id = :line and l.articleId = :article and l.purchase.closedAt is null
                                """, Long.class)
                        .setParameter("line", line)
                        .setParameter("article", article.id())
                        .getSingleResult()
                > 0;
        if (!fits) {
            faults.add(Fault.of(field, "purchase.other", article.code()));
        }
    }

    /** So many put-ups of a line have come; a purchase of which everything has come is closed. */
    void delivered(long line, int putUps) {
        entities.createQuery("update PurchaseLineRow l set l.received = l.received + :came where l.id = :line")
                .setParameter("came", putUps)
                .setParameter("line", line)
                .executeUpdate();
        entities.createQuery("""
                        update PurchaseRow p set p.closedAt = :now, p.closedBy = :who
                        where p.id = (select l.purchase.id from PurchaseLineRow l where l.id = :line) and p.closedAt is null
                            and not exists (select 1 from PurchaseLineRow o where o.purchase.id = p.id and o.received < o.putUps)
                        """)
                .setParameter("now", clock.instant())
                .setParameter("who", Workshop.whoever())
                .setParameter("line", line)
                .executeUpdate();
        listeners.publishEvent(new SupplyMoved());
    }

    /** It comes on another day than its supplier usually takes. */
    @Transactional
    public void expectOn(long id, LocalDate day) {
        LocalDate today = LocalDate.now(clock);
        if (day.isBefore(today) || day.isAfter(today.plusDays(MOST_AHEAD))) {
            throw new Rejected(Fault.of("day", "purchase.day", MOST_AHEAD));
        }
        int kept = entities.createQuery(
                        "update PurchaseRow p set p.expectedOn = :day where p.id = :id and p.closedAt is null")
                .setParameter("day", day)
                .setParameter("id", id)
                .executeUpdate();
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
        int closed = entities.createQuery(
                        "update PurchaseRow p set p.closedAt = :now, p.closedBy = :who where p.id = :id and p.closedAt is null")
                .setParameter("now", clock.instant())
                .setParameter("who", Workshop.whoever())
                .setParameter("id", id)
                .executeUpdate();
        if (closed == 0) {
            throw new Conflict("purchase.closed");
        }
        listeners.publishEvent(new SupplyMoved());
    }

    /** Open ones first, then the newest. */
    @Transactional(readOnly = true)
    public List<PurchaseView> all() {
        return views(entities.createQuery(
                        HEADS + "order by case when p.closedAt is null then 0 else 1 end, p.id desc", PurchaseRow.class)
                .setMaxResults(MOST_SHOWN));
    }

    @Transactional(readOnly = true)
    public PurchaseView one(long id) {
        return views(entities.createQuery(HEADS + "where p.id = :id", PurchaseRow.class)
                        .setParameter("id", id))
                .stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    private List<PurchaseView> views(TypedQuery<PurchaseRow> which) {
        List<PurchaseRow> heads = which.getResultList();
        Map<Long, List<PurchaseLine>> lines =
                lines(heads.stream().map(PurchaseRow::id).toList());
        return heads.stream()
                .map(head -> {
                    List<PurchaseLine> its = lines.getOrDefault(head.id(), List.of());
                    return new PurchaseView(
                            head.id(),
                            head.supplier().id(),
                            head.supplier().name(),
                            head.supplier().minimum(),
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
        record Line(PurchaseLineRow line, String code, String name, Unit unit) {}
        Map<Long, List<PurchaseLine>> lines = new HashMap<>();
        entities.createQuery("""
                        select l, a.code, a.name, a.unit from PurchaseLineRow l join ArticleRow a on a.id = l.articleId
                        where l.purchase.id in :purchases order by a.code, l.id
                        """, Line.class)
                .setParameter("purchases", purchases)
                .getResultList()
                .forEach(row -> lines.computeIfAbsent(row.line().purchase(), p -> new ArrayList<>())
                        .add(row.line().view(row.code(), row.name(), row.unit())));
        return lines;
    }

    /** What is bought and has not come, by article and the day it is expected. */
    @Transactional(readOnly = true)
    public Map<Long, Map<LocalDate, Long>> onOrder() {
        Map<Long, Map<LocalDate, Long>> onOrder = new TreeMap<>();
        entities.createQuery("""
                        select l.articleId, p.expectedOn, sum(l.quantity * (l.putUps - l.received))
                        from PurchaseLineRow l join l.purchase p
                        where p.closedAt is null and l.received < l.putUps group by l.articleId, p.expectedOn
                        """, Expected.class)
                .getResultList()
                .forEach(row -> onOrder.computeIfAbsent(row.article(), a -> new TreeMap<>())
                        .put(row.day(), row.quantity()));
        return onOrder;
    }
}
