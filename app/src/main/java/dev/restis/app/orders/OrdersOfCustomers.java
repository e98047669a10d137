package dev.restis.app.orders;

import dev.restis.app.customers.OfCustomers;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.LockOrder.Rank;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;

/** What orders know of customers. */
@Component
class OrdersOfCustomers implements OfCustomers {

    /** Whoever gave a wrist gave it in one of their newest orders, or long ago. */
    private static final Limit NEWEST = Limit.of(20);

    private static final int SOME = 500;

    private final OrderStore store;
    private final OrderLocks locks;
    private final OrderExport export;
    private final PieceDesk desk;
    private final EntityManager entities;
    private final ObjectProvider<KeptWithOrders> beside;
    private final Clock clock;

    OrdersOfCustomers(
            OrderStore store,
            OrderLocks locks,
            OrderExport export,
            PieceDesk desk,
            EntityManager entities,
            ObjectProvider<KeptWithOrders> beside,
            Clock clock) {
        this.store = store;
        this.locks = locks;
        this.export = export;
        this.desk = desk;
        this.entities = entities;
        this.beside = beside;
        this.clock = clock;
    }

    @Override
    public Map<Long, Ordered> ordered(Collection<Long> customers) {
        Map<Long, Ordered> ordered = new HashMap<>();
        store.ordered(customers)
                .forEach(o -> ordered.put(o.getCustomer(), new Ordered(o.getOrders(), day(o.getNewest()))));
        return ordered;
    }

    /** Orders for several people have several wrists, of which none is the customer's. */
    @Override
    public Optional<Measures> measures(Collection<Long> customers) {
        return store.withLines(store.newest(customers, NEWEST)).stream()
                .sorted(Comparator.comparing(CustomerOrder::id).reversed())
                .flatMap(order -> measures(order).stream())
                .findFirst();
    }

    private Optional<Measures> measures(CustomerOrder order) {
        Set<Wrist> wrists = order.lines().stream()
                .map(OrderLine::spec)
                .filter(spec -> spec.sizeName() == null && spec.wristUm() != null)
                .map(spec ->
                        new Wrist(Objects.requireNonNull(spec.wristUm()), spec.handAssumed() ? null : spec.handUm()))
                .collect(Collectors.toSet());
        return wrists.size() == 1
                ? wrists.stream().findFirst().map(w -> new Measures(w.wristUm(), w.handUm(), day(order.createdAt())))
                : Optional.empty();
    }

    private record Wrist(long wristUm, @Nullable Long handUm) {}

    private LocalDate day(Instant at) {
        return LocalDate.ofInstant(at, clock.getZone());
    }

    @Override
    public Map<String, List<Map<String, Object>>> everything(Collection<Long> customers) {
        PieceDesk.Sitting sitting = desk.sit();
        List<Long> orders = store.idsOf(customers);
        Map<String, List<Map<String, Object>>> all = new TreeMap<>();
        all.put(
                "orders",
                store.withLines(orders).stream()
                        .map(order -> export.order(order, sitting))
                        .toList());
        if (!orders.isEmpty()) {
            beside.forEach(other -> all.putAll(other.everything(orders)));
        }
        return all;
    }

    @Override
    public long holdAndCountOpen(Collection<Long> customers) {
        locks.hold(store.idsOf(customers));
        return store.countOpen(customers);
    }

    @Override
    public void forget(Collection<Long> customers) {
        List<Long> orders = store.idsOf(customers);
        if (!orders.stream().allMatch(id -> LockOrder.holds(Rank.ORDER, id))) {
            throw new LockOrder.Overtaken();
        }
        PieceDesk.Sitting sitting = desk.sit();
        for (int from = 0; from < orders.size(); from += SOME) {
            store.withLines(orders.subList(from, Math.min(orders.size(), from + SOME)))
                    .forEach(order -> {
                        order.forget();
                        order.search(SearchText.of(order, sitting));
                    });
            // What is written is let go of, as there may be many.
            entities.flush();
            entities.clear();
        }
        if (!orders.isEmpty()) {
            beside.forEach(other -> other.forget(orders));
        }
        // What a shop delivered of them tells who it was.
        entities.createNativeQuery("""
                        update delivery d set body = null
                        from customer_order o
                        where o.id in (:orders) and d.source = o.source and o.reference = any (d.order_references)
                          and d.state in ('TAKEN', 'REPEATED', 'OUTDATED')
                        """).setParameter("orders", orders).executeUpdate();
    }
}
