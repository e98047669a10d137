package dev.restis.app.orders;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was paid for orders, how and when; nothing beyond that. */
@Service
public class Payments {

    /** How something was paid. */
    public enum How {
        CASH,
        TRANSFER,
        CARD,
        OTHER
    }

    /**
     * A payment.
     *
     * @param amount less than nothing where it was given back
     * @param withdrawnAt when it was noted by mistake, when that was said
     */
    public record PaymentView(
            long id,
            LocalDate paidOn,
            BigDecimal amount,
            How how,
            String note,
            Instant at,
            String who,
            @Nullable Instant withdrawnAt,
            @Nullable String withdrawnBy) {}

    /**
     * What of an order is paid.
     *
     * @param agreed what the customer said yes to; nothing while they have not
     * @param open what of it is not paid; less than nothing where too much was
     */
    public record PaidView(
            @Nullable BigDecimal agreed,
            BigDecimal paid,
            @Nullable BigDecimal open,
            List<PaymentView> payments) {}

    /**
     * A payment as typed.
     *
     * @param back whether it was given back
     */
    public record PaymentInput(
            @Nullable String amount,
            How how,
            @Nullable LocalDate paidOn,
            @Nullable String note,
            boolean back) {}

    private static final int MOST = 200;
    private static final int LONGEST_NOTE = 200;
    private static final BigDecimal DEAREST = new BigDecimal("1000000");

    private final EntityManager entities;
    private final OrderStore store;
    private final Quotes quotes;
    private final Clock clock;

    Payments(EntityManager entities, OrderStore store, Quotes quotes, Clock clock) {
        this.entities = entities;
        this.store = store;
        this.quotes = quotes;
        this.clock = clock;
    }

    /** The newest first. */
    @Transactional(readOnly = true)
    public PaidView of(long order) {
        if (!store.existsById(order)) {
            throw new NotFound("notFound");
        }
        List<Payment> rows = rows(order);
        BigDecimal paid =
                rows.stream().filter(p -> !p.withdrawn()).map(Payment::amount).reduce(BigDecimal.ZERO, BigDecimal::add);
        Optional<BigDecimal> agreed = quotes.last(order)
                .filter(q -> q.acceptedAt() != null)
                .map(q -> q.price().gross());
        return new PaidView(
                agreed.orElse(null),
                paid,
                agreed.map(a -> a.subtract(paid)).orElse(null),
                rows.stream().map(Payment::view).toList());
    }

    /**
     * What of orders is not paid.
     *
     * @return by order; those for which nothing is agreed are missing
     */
    @Transactional(readOnly = true)
    public Map<Long, BigDecimal> open(Collection<Long> orders) {
        Map<Long, BigDecimal> open = new HashMap<>();
        if (!orders.isEmpty()) {
            for (Object row : entities.createNativeQuery("""
                            select q.order_id, q.gross - coalesce((select sum(p.amount) from payment p
                                                                   where p.order_id = q.order_id and p.withdrawn_at is null), 0) as open
                            from quote q where q.order_id in (:orders) and q.accepted_at is not null
                                and q.number = (select max(number) from quote last where last.order_id = q.order_id)
                            """, Tuple.class)
                    .setParameter("orders", orders)
                    .getResultList()) {
                Tuple of = (Tuple) row;
                open.put(of.get(0, Number.class).longValue(), of.get(1, BigDecimal.class));
            }
        }
        return open;
    }

    private List<Payment> rows(long order) {
        return entities.createQuery(
                        "select p from Payment p where p.orderId = :order order by p.paidOn desc, p.id desc",
                        Payment.class)
                .setParameter("order", order)
                .setMaxResults(MOST)
                .getResultList();
    }

    /** @throws Rejected with every field that cannot be so */
    @Transactional
    public long note(long order, PaymentInput typed) {
        if (!store.existsById(order)) {
            throw new NotFound("notFound");
        }
        List<Fault> faults = new ArrayList<>();
        BigDecimal amount = Texts.money(typed.amount(), "amount", faults);
        if (faults.isEmpty()
                && (amount.signum() == 0
                        || amount.compareTo(DEAREST) > 0
                        || amount.stripTrailingZeros().scale() > 2)) {
            faults.add(Fault.of("amount", "payment.amount", amount.toPlainString()));
        }
        LocalDate today = LocalDate.now(clock);
        LocalDate day = Optional.ofNullable(typed.paidOn()).orElse(today);
        if (day.isAfter(today)) {
            faults.add(Fault.of("paidOn", "payment.day"));
        }
        String note = Texts.optional(typed.note(), "note", LONGEST_NOTE, faults);
        if (rows(order).size() >= MOST) {
            faults.add(Fault.of("amount", "payment.many", MOST));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        BigDecimal cents = amount.setScale(2, RoundingMode.UNNECESSARY);
        Payment row = new Payment(
                order,
                day,
                typed.back() ? cents.negate() : cents,
                typed.how(),
                note,
                clock.instant(),
                Workshop.whoever());
        entities.persist(row);
        entities.flush();
        return row.view().id();
    }

    /** It was noted by mistake: it stays as a row that does not count. */
    @Transactional
    void withdraw(long order, long id) {
        Payment row = Optional.ofNullable(entities.find(Payment.class, id))
                .filter(p -> p.order() == order)
                .orElseThrow(() -> new NotFound("notFound"));
        if (row.withdrawn()) {
            throw new Conflict("changedMeanwhile");
        }
        Workshop.mayTakeBack(row.who());
        row.withdraw(clock.instant(), Workshop.whoever());
    }
}
